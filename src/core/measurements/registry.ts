import type { InferType } from 'yup'
import type { Step } from '../plan/plan'
import { boiling } from './boiling'
import { head } from './head'
import type { Measurement, Takes } from './measurement'
import { melting } from './melting'
import { done, signature, strike } from './moments'
import { note } from './note'
import { observation } from './observation'
import { press } from './press'
import { purity } from './purity'
import { reading } from './reading'
import { refraction } from './refraction'
import { spots } from './spots'
import { tube } from './tube'
import { window } from './window'

/** Every kind of entry that a log may hold. */
export const measurements = {
  reading,
  melting,
  boiling,
  refraction,
  purity,
  head,
  window,
  press,
  tube,
  spots,
  note,
  observation,
  done,
  signature,
  strike,
}

export type EntryKind = keyof typeof measurements

/** What each kind of entry says, read from its schema. */
export type EntryBodies = { [K in EntryKind]: InferType<(typeof measurements)[K]['schema']> }

export const entryKinds = Object.keys(measurements) as EntryKind[]

/** What is known of a kind, whichever it is. */
const of = (kind: EntryKind) => measurements[kind] as unknown as Measurement

export const shows = (kind: EntryKind): boolean => of(kind).shown === true
export const ends = (kind: EntryKind): boolean => of(kind).ends === true
export const schemaOf = (kind: EntryKind) => of(kind).schema
export const reasonNeeded = (kind: EntryKind): string | undefined => of(kind).needsReason
export const isWrittenAtBench = (kind: EntryKind): boolean => of(kind).writtenBy === undefined

interface Said {
  kind: EntryKind
  body: object
  reason: string | null
}

/** What the entry is called in its step: `Vial with contents, with cap`. */
export const labelOf = ({ kind, body }: Said, step: Step): string => of(kind).label(body, step)

/** What it says, in print; empty for those that only mark a moment. */
export const valueOf = ({ kind, body, reason }: Said): string => of(kind).value(body, reason)

/** What the step is said not to take; null where it takes this. */
export const refusalOf = ({ kind, body }: Said, takes: Takes): string | null => of(kind).refuses(body, takes)
