import { shows, type EntryBodies, type EntryKind } from '../measurements/registry'

export type { EntryBodies, EntryKind }
export type { Mark } from '../measurements/marks'

/** Kinds that say what an instrument showed: a signature covers them, and they are struck, never changed. */
export type ShownKind = 'reading' | 'melting' | 'boiling' | 'refraction' | 'purity' | 'spectrum' | 'spots' | 'head'

/** One line of the run's log. Entries are never changed; a correction is a new entry that supersedes an old one, with a reason. */
export type Entry<K extends EntryKind = EntryKind> = {
  [Kind in K]: {
    /** ULID made where the entry was written, so that sending it twice is harmless. */
    id: string
    kind: Kind
    /** Id of the step it belongs to. */
    step: string
    body: EntryBodies[Kind]
    /** The device's time, ISO 8601 UTC. */
    at: string
    /** Who wrote it, as a name to read. */
    by: string
    /** What wrote it: a bench tablet, a demonstrator's own. */
    device: string
    supersedes: string | null
    reason: string | null
    /** Id of the last entry that the device knew when it wrote this one. */
    seen?: string
    /** How far the device's clock was ahead of the server's when it sent this, ms; noted by the server. */
    clockMs?: number
  }
}[K]

/** True for an entry that says what an instrument showed. */
export function isShown(entry: Entry): entry is Entry<ShownKind> {
  return shows(entry.kind)
}
