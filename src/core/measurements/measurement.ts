import { number, object, string, type AnyObject, type InferType, type ObjectSchema } from 'yup'
import type { Step } from '../plan/plan'

/** What a step takes: slots of readings, marks, and what its operation measures. */
export interface Takes {
  slots: readonly string[]
  marks: readonly string[]
  measures: readonly string[]
}

/** One kind of entry of a run's log, whole: what is accepted, which step takes it, and how it is said. */
export interface Measurement<S extends ObjectSchema<AnyObject> = ObjectSchema<AnyObject>> {
  /** What is accepted; the type of the entry's body is read from it. */
  schema: S
  /** It says what an instrument showed: a signature covers it, and it is struck, never changed. */
  shown?: true
  /** With it the step is over. */
  ends?: true
  /** Who writes it, where that is not the group at the bench. */
  writtenBy?: 'a demonstrator'
  /** It needs a reason of its own, which says what else. */
  needsReason?: string
  /** What a step that takes none is said not to take; null where the step takes this one. */
  refuses: (body: InferType<S>, takes: Takes) => string | null
  /** What the entry is called in its step. */
  label: (body: InferType<S>, step: Step) => string
  /** What it says, in print; empty where it only marks a moment. */
  value: (body: InferType<S>, reason: string | null) => string
}

/** Keeps the type of the schema. */
export const measurement = <S extends ObjectSchema<AnyObject>>(one: Measurement<S>): Measurement<S> => one

export const finite = number().strict().required()
export const decimals = number().strict().integer().min(0).max(6).required()
export const asked = string().max(500).optional()
export const empty = object({})
export const always = (): null => null
export const nothing = (): string => ''

/** Taken by steps whose operation measures it. */
export const measuredAs =
  (what: string, name: string) =>
  (_body: unknown, { measures }: Takes): string | null =>
    measures.includes(what) ? null : name

/** A range of two temperatures, the second not below the first. */
export const upTo = (first: string, problem: string) =>
  finite
    .min(-100)
    .max(500)
    .test('in-order', problem, function (value) {
      return value >= (this.parent as Record<string, number>)[first]!
    })
