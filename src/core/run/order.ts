import type { Entry } from './entry'

const digits = '0123456789ABCDEFGHJKMNPQRSTVWXYZ'

/** The time in an entry's id, ms, put right by how far its device's clock was off. */
function correctedMs({ id, clockMs = 0 }: Entry): number {
  let ms = 0
  for (const digit of id.slice(0, 10)) ms = ms * 32 + Math.max(0, digits.indexOf(digit))
  return ms - clockMs
}

/**
 * Entries in the order in which they were written, each once. What an entry's device had seen comes before it, whatever clocks said; between entries that did not know of each other their times decide, put right by
 * what the server noted of each clock, and at the same time their ids. Entries of older logs name nothing that they had seen and keep the order of their ids.
 */
export function inOrder(entries: readonly Entry[]): Entry[] {
  const unique = new Map(entries.map((entry) => [entry.id, entry]))
  const times = new Map([...unique].map(([id, entry]) => [id, correctedMs(entry)]))
  const before = (a: Entry, b: Entry) => times.get(a.id)! - times.get(b.id)! || (a.id < b.id ? -1 : 1)
  const sorted = [...unique.values()].sort(before)
  if (sorted.every(({ seen }) => seen === undefined)) return sorted
  // Each entry waits for the one it had seen; those that wait for the same come in the order of their times.
  const waiting = new Map<string, Entry[]>()
  const ready: Entry[] = []
  for (const entry of sorted) {
    const { seen } = entry
    if (seen === undefined || seen === entry.id || !unique.has(seen)) ready.push(entry)
    else waiting.set(seen, [...(waiting.get(seen) ?? []), entry])
  }
  const ordered: Entry[] = []
  while (ready.length > 0) {
    const next = ready.shift()!
    ordered.push(next)
    for (const follower of waiting.get(next.id) ?? []) {
      const at = ready.findIndex((other) => before(follower, other) < 0)
      ready.splice(at < 0 ? ready.length : at, 0, follower)
    }
    waiting.delete(next.id)
  }
  // Entries that name each other in a circle were never seen by anyone in that order: their times decide.
  return [...ordered, ...[...waiting.values()].flat().sort(before)]
}
