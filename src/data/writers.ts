import { thisMoment } from './clock'
import { User } from './models'

const isId = /^[0-9A-HJKMNP-TV-Z]{26}$/

/** Names of people who have written into logs; a name hardly ever changes. */
const known = new Map<string, { name: string; until: number }>()
const keptMs = 60_000

/**
 * Puts the names of people where a log has their ids: the log itself names nobody, and what stands beside it can change. One statement for those who are not known, none for benches.
 */
export async function withNames<T extends { by: string }>(entries: T[], now = thisMoment().getTime()): Promise<T[]> {
  const ids = [...new Set(entries.map(({ by }) => by).filter((by) => isId.test(by)))]
  const unknown = ids.filter((id) => (known.get(id)?.until ?? 0) < now)
  if (unknown.length > 0) {
    const people = await User.findAll({ where: { id: unknown }, attributes: ['id', 'name'], raw: true })
    for (const { id, name } of people) known.set(id, { name, until: now + keptMs })
  }
  for (const entry of entries) entry.by = known.get(entry.by)?.name ?? entry.by
  return entries
}
