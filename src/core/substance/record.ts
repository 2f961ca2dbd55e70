import type { Substance } from './substance'
import type { SignalWord } from './lists'

/** A value with where it comes from. */
export interface Sourced {
  source: string
}

/**
 * A reference record: what is known of a substance, each value with its source. A value that is not known is absent.
 */
export interface SubstanceRecord extends Omit<Substance, 'hazards' | 'caution'> {
  synonyms?: string[]
  /** Statement codes such as `H225`; their texts stand in the table of statements. */
  hazards?: { signal: SignalWord; pictograms: string[]; statements: string[] } & Sourced
}
