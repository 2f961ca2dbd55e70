import { thisMoment } from './clock'
import { ulid } from 'ulid'
import { beginAttempt, endAttempt, purgeAttempts, type Patience } from '@/data/attempts'
import { Refusal } from './refusal'

/**
 * Runs a check of a secret under a limit that is kept in the database, whichever process asks. After the free failures each one more doubles the wait. A success takes only itself out of the count.
 * @throws Refusal 429 while one has to wait
 */
export async function limited<T>(
  key: string,
  patience: Patience,
  check: () => Promise<T | null>,
  now = thisMoment(),
): Promise<T | null> {
  const token = ulid()
  const kept = key.slice(0, 200)
  await purgeAttempts(now)
  const until = await beginAttempt(kept, patience, token, now)
  if (until) {
    const seconds = Math.max(1, Math.ceil((until.getTime() - now.getTime()) / 1000))
    throw new Refusal(429, `Too many attempts. Wait ${seconds} s, then try again.`, { waitS: seconds })
  }
  const found = await check()
  if (found !== null) await endAttempt(kept, token)
  return found
}

/** What strangers' attempts are counted under. */
interface Queue {
  key: string
  patience: Patience
}

/**
 * The same for a device that was let in before: it waits for its own failures alone. They count for strangers as well, so that nobody gets more guesses by being let in again and again.
 * @throws Refusal 429 while one has to wait
 */
export async function limitedAlone<T>(
  own: Queue,
  strangers: readonly Queue[],
  check: () => Promise<T | null>,
  now = thisMoment(),
): Promise<T | null> {
  const found = await limited(own.key, own.patience, check, now)
  if (found === null) for (const { key, patience } of strangers) await beginAttempt(key.slice(0, 200), patience, ulid(), now)
  return found
}
