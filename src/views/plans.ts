import type { Form } from '@/core/plan/plan'
import type { Substance } from '@/core/substance/substance'

/** A substance as a search answers it: what a plan takes. It waits for no picture. */
export interface FoundSubstance {
  substance: Substance
  synonyms: string[]
  /** How it is dispensed, where what was found is a stock solution of it. */
  form?: Form
  /** The stock solution's own name. */
  solution?: string
  /** g/mol; null for a mixture. */
  molarMass: number | null
}

/** One revision of a preparation, or its draft, in the list of all of them. */
export interface HistoryView {
  number: number
  state: 'draft' | 'published' | 'superseded'
  at: string
  by: string
}
