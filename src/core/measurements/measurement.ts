import type { AnyObject, InferType, ObjectSchema } from 'yup'
import type { Step } from '../plan/plan'
import type { Figure } from '../quantity/figure'
import type { Due } from './due'
import type { Kit } from './kit'

/** An entry of a step that stands. */
export interface Standing {
  id: string
  kind: string
  body: object
  /** The device's time, ISO 8601 UTC. */
  at: string
  supersedes: string | null
}

/** A step with what stands in it. */
export interface Taken {
  step: Step
  standing: readonly Standing[]
}

/** A net mass or volume from the readings of one step, in g or mL. */
export interface Net {
  dimension: 'mass' | 'volume'
  figure: Figure
  /** For a solid that is dried: each net mass in turn, and whether the last two agree. */
  series?: { massG: number; at: string }[]
  agreed?: boolean
  /** What is doubtful about how it was taken. */
  doubt?: string
}

/** What is known before a figure is read, as far as it is. */
export interface Expected {
  /** What the plan says of it, and by what part of that it may differ. */
  planned?: Figure
  mayDiffer?: number
  /** The mass that cannot be passed: what the charged amounts give, or what a component was put in with. */
  most?: { figure: Figure; of: 'the theoretical' | 'what was put in' }
  melting?: { lowC: number; highC: number }
  /** The highest boiling point of the plan, and all of them, °C at 760 mmHg. */
  hottestC?: number
  boiling?: readonly { name: string; lowC: number; highC: number }[]
}

/** A number that a measurement takes, by its slot. */
export interface NumberTaken {
  unit: 'g' | 'mL' | '°C' | 'mmHg' | ''
  /** The least and the most that can be meant; 0 and 100 000 where nothing is said. */
  least?: number
  most?: number
  /** What it is called in its step. */
  label: string | ((step: Step, weighing: string) => string)
}

type Schema = ObjectSchema<AnyObject>

/** One kind of entry of a run's log: what is accepted, and how it is said. */
export interface Entered<S extends Schema = Schema> {
  /** What is accepted; the type of the entry's body is read from it. */
  schema: (kit: Kit) => S
  /** Every step takes it. */
  always?: true
  /** It says what an instrument showed: a signature covers it, and it is struck, never changed. */
  shown?: true
  /** With it the step is over. */
  ends?: true
  /** Who writes it, where that is not the group at the bench alone. */
  writtenBy?: 'a demonstrator' | 'both'
  /** It is no work of its step: it neither begins nor ends it. */
  apart?: true
  /** Fields with free words or pictures, which may say who somebody is: they stand beside the log. */
  aside?: readonly string[]
  /** Ids of entries of the same step that it is about. */
  names?: (body: InferType<S>) => readonly string[]
  /** It needs a reason of its own, which says what else. */
  needsReason?: string
  /** What a step that takes none is said not to take. */
  refused: string | ((body: InferType<S>) => string)
  /** What the entry is called in its step. */
  label: (body: InferType<S>, step: Step) => string
  /** What it says, in print; empty where it only marks a moment. */
  value: (body: InferType<S>, reason: string | null) => string
}

/** Keeps the type of the schema. */
export const entered = <S extends Schema>(one: Entered<S>): Entered<S> => one

/** The body of an entry, from its schema. */
export type BodyOf<E> = E extends Entered<infer S> ? InferType<S> : never

/** How a step is measured, whole: what it takes, what is due, what is asked when it looks odd, and what comes of it. */
export interface Measurement {
  /** What a group writes down, in words; `of` is what the step is about. Empty where it is only ticked off. */
  written: (of: string) => string
  /** Numbers it takes, by their slots. */
  numbers?: Readonly<Record<string, NumberTaken>>
  /** Slots of those that are read once in a step. */
  once?: readonly string[]
  /** Other kinds of entry that it takes. */
  kinds?: readonly string[]
  /** Presses that it takes. */
  marks?: readonly string[]
  /** Ways of doing it, the recommended one first; only where there is a choice. */
  ways?: (step: Step) => readonly { key: string; words: string }[]
  /** What the ways are called together. */
  waysOf?: string
  /** The one thing to enter now, given the way that was chosen; null when nothing more is. */
  due: (taken: Taken, way?: string) => Due | null
  /** The question to ask before an entry is written, or null; it stands among what is taken already. */
  question?: (entry: Standing, taken: Taken, expected: Expected) => string | null
  /** The net mass or volume, or null while a reading is missing. */
  net?: (taken: Taken) => Net | null
  /** True once nothing more is to be written, though nobody has said so. */
  isOver?: (taken: Taken, net: Net | null) => boolean
  /** The clock that runs, and for how many minutes; null where it counts up. */
  clock?: (taken: Taken) => { label: string; from: string; minutes: number | null } | null
}

/** Standing entries of a kind, with the body that its file says. */
export const ofKind = <B>(standing: readonly Standing[], kind: string) =>
  standing.filter((entry) => entry.kind === kind) as (Standing & { body: B })[]

export const nothing = (): string => ''
