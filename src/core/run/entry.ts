import type { WeighingMethod } from '../plan/lists'

/** What each kind of entry says. */
export interface EntryBodies {
  /** One number from one device. */
  reading: {
    slot: string
    value: number
    /** Empty for a number without one: the setting of a heater. */
    unit: 'g' | 'mL' | '°C' | ''
    decimals: number
    /** How the mass is being taken, and in what state the container stood on the balance. */
    weighing?: { method: WeighingMethod; closure?: 'with cap' | 'without cap' }
    /** The question the program asked about this number, where the group kept it all the same. */
    asked?: string
  }
  /** A melting range: first liquid, last solid gone. */
  melting: {
    onsetC: number
    clearC: number
    decimals: number
    asked?: string
    /** The apparatus and the line of its standards as they stood then: true = offset + slope·read. The range is as read. */
    instrument?: { name: string; offsetC: number; slope: number }
  }
  /** What the thermometer at the head of a distillation showed when so much stood in the receiver; at 0 mL the first drop fell. */
  head: { volumeML: number; volumeDecimals: number; headC: number; decimals: number; asked?: string }
  /** The window of a fraction as the group widened it; the entry's reason says why. */
  window: { lowC: number; highC: number }
  /** A moment: heat on, onset of reflux, heat off, start of a hold. */
  press: { mark: Mark }
  /** A tube of a panel of tests: its stopwatch starts, starts again for a second pass when it is warmed, or its sign is seen, which may be none. */
  tube: { tube: string; event: 'start' | 'warm' | 'sign' | 'none' }
  /** A few words: the slot of a sample. */
  note: { slot: string; text: string }
  /** A step is over, in the group's judgement. */
  done: Record<string, never>
  /** A demonstrator has seen these readings. */
  signature: { covers: string[] }
  /** A reading is struck and nothing is put in its place. */
  strike: Record<string, never>
}

/** `dissolved`: the last of the solid has gone, so no further portion of hot solvent comes. */
export type Mark = 'heat-on' | 'onset' | 'heat-off' | 'start' | 'dissolved'
export type EntryKind = keyof EntryBodies

/** Kinds that say what an instrument showed: a signature covers them, and they are struck, never changed. */
const shownKinds = ['reading', 'melting', 'head'] as const
export type ShownKind = (typeof shownKinds)[number]

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
  return (shownKinds as readonly string[]).includes(entry.kind)
}
