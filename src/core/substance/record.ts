import type { SignalWord, Substance } from '../plan/plan'

/** A value with where it comes from. */
export interface Sourced {
  source: string
}

export const wasteStreams = [
  'aqueous, harmless',
  'aqueous acid or base',
  'other organic',
  'halogenated organic',
  'heavy metal',
  'oxidiser',
  'solid',
  /** No acid may reach it. */
  'cyanide, alkaline, by itself',
  /** What water or alcohol still reacts with goes into no container at all. */
  'quenched first, by itself',
] as const

export type WasteStream = (typeof wasteStreams)[number]

/**
 * A reference record: what is known of a substance, each value with its source. A value that is not known is absent.
 */
export interface SubstanceRecord extends Omit<Substance, 'hazards' | 'caution' | 'formula'> {
  formula: string
  synonyms?: string[]
  /** Statement codes such as `H225`; their texts stand in the table of statements. */
  hazards?: { signal: SignalWord; pictograms: string[]; statements: string[] } & Sourced
}
