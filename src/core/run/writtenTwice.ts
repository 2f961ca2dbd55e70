import type { Measurement } from '../measurements/measurement'
import type { Entry } from './entry'

/** Where an entry stands: two in the same place say the same thing twice. */
function placeOf(entry: Entry): string | null {
  if (entry.kind === 'reading') return `reading ${entry.body.slot}`
  return entry.kind === 'melting' || entry.kind === 'boiling' || entry.kind === 'refraction' ? entry.kind : null
}

/** Whether the device that wrote an entry knew of another one then, as far as the log says: each names the last that it had seen. */
function knew(entry: Entry, other: Entry, byId: ReadonlyMap<string, Entry>): boolean {
  const passed = new Set<string>()
  for (let at: Entry | undefined = entry; at?.seen !== undefined && !passed.has(at.id); at = byId.get(at.seen)) {
    if (at.seen === other.id) return true
    passed.add(at.id)
  }
  return false
}

/**
 * Readings that two tablets wrote into the same place without knowing of each other, each place with all that stand in it. What is read once has one figure, unless both say the same;
 * of what is read again and again, such as weighings of a drying solid, only two that had seen the same last entry are meant for one.
 */
export function writtenTwice(
  standing: readonly Entry[],
  { once = [] }: Measurement,
  byId: ReadonlyMap<string, Entry>,
): Entry[][] {
  const places = new Map<string, Entry[]>()
  for (const entry of standing) {
    const place = placeOf(entry)
    if (place === null) continue
    const others = places.get(place)
    if (others) others.push(entry)
    else places.set(place, [entry])
  }
  return [...places.values()].filter((all) =>
    all.some((entry, index) =>
      all.some((other, at) => {
        // Older logs name nothing that they had seen: there the later one knew.
        if (at <= index || entry.seen === undefined || other.seen === undefined) return false
        if (entry.kind !== 'reading' || other.kind !== 'reading' || !once.includes(entry.body.slot))
          return entry.seen === other.seen
        return entry.body.value !== other.body.value && !knew(other, entry, byId) && !knew(entry, other, byId)
      }),
    ),
  )
}
