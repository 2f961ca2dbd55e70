import { QueryTypes } from 'sequelize'
import { database } from './connect'

/** How many failures are free, and how the wait grows after them. */
export interface Patience {
  free: number
  /** Seconds; each failure beyond the free ones doubles the wait up to this. */
  longestS: number
}

/** A count is forgotten when nothing was tried for so long. */
const forgottenAfterMs = 15 * 60_000

/**
 * Counts an attempt before it is made, in one statement, so that attempts at the same moment, at whichever process, cannot slip through together.
 * @returns null where it may be made, else the moment until which nothing is tried
 */
export async function beginAttempt(key: string, { free, longestS }: Patience, token: string, now: Date): Promise<Date | null> {
  const [row] = await database().query<{ until: Date | string; token: string }>(
    `INSERT INTO attempt (\`key\`, failures, last, until, token) VALUES (:key, 1, :now, :now, :token)
     ON DUPLICATE KEY UPDATE
       failures = IF(until > :now AND until <= :latest, failures, IF(last < :forget, 1, failures + 1)),
       token = IF(until > :now AND until <= :latest, token, :token),
       last = IF(until > :now AND until <= :latest, last, :now),
       until = IF(until > :now AND until <= :latest, until, IF(failures > :free, DATE_ADD(:now, INTERVAL LEAST(:longest, POW(2, LEAST(failures - :free, 20) - 1)) SECOND), :now))
     RETURNING until, token`,
    {
      replacements: {
        key,
        token,
        now,
        free,
        longest: longestS, // A wait that no failure could have set was set by a clock that was wrong.
        latest: new Date(now.getTime() + longestS * 1000),
        forget: new Date(now.getTime() - forgottenAfterMs),
      },
      type: QueryTypes.SELECT,
    },
  )
  return row!.token === token ? null : new Date(row!.until)
}

/** Takes an attempt that succeeded out of the count. What failed before still counts. */
export async function endAttempt(key: string, token: string): Promise<void> {
  await database().query(
    'UPDATE attempt SET failures = GREATEST(failures - 1, 0), until = last WHERE `key` = :key AND token = :token',
    {
      replacements: { key, token },
      type: QueryTypes.UPDATE,
    },
  )
}

let purgedAt = 0

/** Removes what no longer counts, at most every ten minutes for each process. */
export async function purgeAttempts(now: Date): Promise<void> {
  if (now.getTime() - purgedAt < 10 * 60_000) return
  purgedAt = now.getTime()
  await database().query('DELETE FROM attempt WHERE last < :forget AND until < :now', {
    replacements: { forget: new Date(now.getTime() - forgottenAfterMs), now },
    type: QueryTypes.DELETE,
  })
}
