import type { Step } from '../plan/plan'
import { excluded, worked } from './afterwards'
import { besides } from './besides'
import { boiling, boilingRange } from './boiling'
import { answer, hand, incident, message } from './calls'
import { clock } from './clock'
import { constantMass } from './constantMass'
import { head, headAgainstVolume } from './head'
import { hotSolvent } from './hotSolvent'
import { madeUp } from './madeUp'
import { mass } from './mass'
import type { BodyOf, Entered, Measurement } from './measurement'
import { melting, meltingRange } from './melting'
import { again, ahead, confirmed, done, signature, skip, strike } from './moments'
import { note, slot } from './note'
import { contents, ownStep } from './ownStep'
import { observation } from './observation'
import { pH } from './pH'
import { press } from './press'
import { purity } from './purity'
import { reading } from './reading'
import { refraction, refractiveIndex } from './refraction'
import { refluxClock } from './refluxClock'
import { spectrum } from './spectrum'
import { plate, spots } from './spots'
import { checked, ticked, understood } from './ticked'
import { titre } from './titre'
import { stopped, timer } from './timer'
import { joined, pooled } from './together'
import { tube, tubes } from './tube'
import { emptied, vessel as setAsideIn } from './vessels'
import { volume } from './volume'
import { window } from './window'

/** How a step may be measured. */
export const measurements = {
  mass,
  volume,
  'constant mass': constantMass,
  'hot solvent': hotSolvent,
  'melting range': meltingRange,
  'boiling range': boilingRange,
  'refractive index': refractiveIndex,
  head: headAgainstVolume,
  tubes,
  slot,
  spots: plate,
  pH,
  titre,
  'made up': madeUp,
  clock,
  'reflux clock': refluxClock,
  understood,
  checked,
  ticked,
} satisfies Record<string, Measurement>

export type MeasurementKey = keyof typeof measurements

export const measurementOf = (key: MeasurementKey): Measurement => measurements[key]

/** Every kind of entry that a log may hold. */
const entryKindsOf = {
  reading,
  melting,
  boiling,
  refraction,
  purity,
  spectrum,
  head,
  window,
  press,
  tube,
  spots,
  note,
  observation,
  step: ownStep,
  contents,
  timer,
  stopped,
  hand,
  incident,
  message,
  answer,
  joined,
  pooled,
  vessel: setAsideIn,
  emptied,
  confirmed,
  worked,
  excluded,
  done,
  skip,
  ahead,
  again,
  signature,
  strike,
}

export type EntryKind = keyof typeof entryKindsOf

/** What each kind of entry says, read from its schema. */
export type EntryBodies = { [K in EntryKind]: BodyOf<(typeof entryKindsOf)[K]> }

export const entryKinds = Object.keys(entryKindsOf) as EntryKind[]

/** What is known of a kind, whichever it is. */
const of = (kind: EntryKind) => entryKindsOf[kind] as unknown as Entered

export const shows = (kind: EntryKind): boolean => of(kind).shown === true
export const ends = (kind: EntryKind): boolean => of(kind).ends === true
export const schemaOf = (kind: EntryKind) => of(kind).schema
export const reasonNeeded = (kind: EntryKind): string | undefined => of(kind).needsReason
export const isWrittenAtBench = (kind: EntryKind): boolean => of(kind).writtenBy !== 'a demonstrator'
export const isApart = (kind: EntryKind): boolean => of(kind).apart === true
/** Fields of its body that stand beside the log. */
export const asideIn = (kind: EntryKind): readonly string[] => of(kind).aside ?? []
/** Ids of entries of the same step that an entry is about. */
export const namedBy = ({ kind, body }: { kind: EntryKind; body: object }): readonly string[] => of(kind).names?.(body) ?? []

interface Said {
  kind: EntryKind
  body: object
  reason: string | null
}

/** What the entry is called in its step: `Vial with contents, with cap`. */
export const labelOf = ({ kind, body }: Said, step: Step): string => of(kind).label(body, step)

/** What it says, in print; empty for those that only mark a moment. */
export const valueOf = ({ kind, body, reason }: Said): string => of(kind).value(body, reason)

/** What a step is said not to take; null where it takes this. `beside` is what may be written besides in it. */
export function refusalOf({ kind, body }: Said, by: Measurement, beside: readonly (keyof typeof besides)[]): string | null {
  const { refused, always } = of(kind)
  const said = body as { slot?: string; unit?: string; mark?: string }
  const taken = () => {
    if (always) return true
    if (kind === 'press') return by.marks?.includes(said.mark!) ?? false
    if (kind !== 'reading') return by.kinds?.includes(kind) ?? false
    const number = by.numbers?.[said.slot!] ?? beside.map((each) => each === said.slot && besides[each]).find(Boolean)
    return Boolean(number) && (number as { unit: string }).unit === said.unit
  }
  return taken() ? null : typeof refused === 'string' ? refused : refused(body)
}
