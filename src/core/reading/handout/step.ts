import type { OperationKey } from '../../operations/registry'
import type { Sentence } from './sentences'
import type { Portion } from './portions'
import type { Span } from './span'
import type { NamedVessel } from './vessels'

/** A figure or a choice that goes into a field of its step: `@holdMin` is one of the step itself, others are blanks of the planner. */
export interface ReadField extends Span {
  key: string
  value: number | string
  /** It says so in words, without a figure. */
  inWords?: true
}

/** One deed of the text, as a step will have it. */
export interface ReadStep extends Span {
  operation: OperationKey
  sentence: Sentence
  /** The word that says what is done. */
  verb?: Span
  portions: Portion[]
  fields: ReadField[]
  until?: Span
  vessel?: NamedVessel
  /** Which of several steps of the same words it is, from 0, and of how many. */
  of?: { index: number; count: number }
  /** Times that the same deed is given, where there are two. */
  twoTimes?: readonly [number, number]
  /** Whole sentences that warn, and those that were not understood and stay as its words. */
  warnings: Span[]
  words: Span[]
}
