import { Attempt } from '@/data/models'
import { Refusal } from './refusal'

const windowMs = 15 * 60_000

/**
 * Runs a check of a secret under a limit: after `limit` failures within fifteen minutes the key must wait, whichever server process asks.
 * @throws Refusal 429 while the key waits
 */
export async function limited<T>(
  key: string,
  limit: number,
  check: () => Promise<T | null>,
  now = new Date(),
): Promise<T | null> {
  const row = await Attempt.findByPk(key)
  const fresh = !row || now.getTime() - row.since.getTime() > windowMs
  if (!fresh && row.failures >= limit) {
    const minutes = Math.ceil((row.since.getTime() + windowMs - now.getTime()) / 60_000)
    throw new Refusal(429, `Too many attempts. Wait ${minutes} min, or ask the course owner.`)
  }
  const found = await check()
  if (found !== null) await Attempt.destroy({ where: { key } })
  else if (fresh) await Attempt.upsert({ key, failures: 1, since: now })
  else await Attempt.increment('failures', { where: { key } })
  return found
}
