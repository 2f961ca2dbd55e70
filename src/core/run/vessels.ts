import type { Entry } from './entry'

/** A vessel of this bench, and what became of what was in it; null while it stands. */
export interface OwnVessel {
  entry: Entry<'vessel'>
  emptied: Entry<'emptied'> | null
}

/** The vessels that a group has set aside, in the order in which it did. */
export function vesselsOf(standing: readonly Entry[]): OwnVessel[] {
  const out = new Map(standing.flatMap((entry) => (entry.kind === 'emptied' ? [[entry.body.of, entry] as const] : [])))
  return standing
    .filter((entry): entry is Entry<'vessel'> => entry.kind === 'vessel')
    .map((entry) => ({ entry, emptied: out.get(entry.id) ?? null }))
    .sort((a, b) => Date.parse(a.entry.at) - Date.parse(b.entry.at))
}

/** A label that no vessel of the bench bears yet: A, B, C … */
export function freeLabel(vessels: readonly OwnVessel[]): string {
  const used = new Set(vessels.map(({ entry }) => entry.body.label.toUpperCase()))
  for (let number = 0; ; number++) {
    const letter = String.fromCharCode(65 + (number % 26))
    const label = number < 26 ? letter : `${letter}${Math.floor(number / 26) + 1}`
    if (!used.has(label)) return label
  }
}
