import type { Substance } from '../substance/substance'
import type { Context } from './planner'

/** What an operation is expected to keep back of a substance, g, with its span and how it is worked out. */
export interface Kept {
  what: 'mother liquor' | 'other layers' | 'hold-up'
  g: number
  lowG: number
  highG: number
  /** The working in one line: formula with numbers, and its source. */
  how: string
  /** What may still be had of it. */
  again?: { g: number; words: string }
}

/** It keeps some, and what is known does not say how much. */
export interface Unknown {
  unknown: string
}

/** What a step keeps back of a substance of which so many grams reach it; null where it keeps none, or where what it rests on was not measured. */
export type KeepsBack = (context: Context, of: { substance: Substance; reachedG: number }) => Kept | Unknown | null
