import { capital } from '../words/capital'
import type { Figure } from '../quantity/figure'
import { writeNumber } from '../quantity/write'
import type { RunState } from '../run/foldRun'
import type { Judgement } from './judge'
import type { BaseResults } from './baseResults'

/** One result of a run: which quantity, of what, after what, with its figure and the entries that it rests on. */
export interface Outcome {
  /** Stays the same for the same result of every run of a plan. */
  key: string
  quantity: string
  /** What it is of, as a name to read. */
  of: string
  /** The sample that was measured; empty where it is of the whole. */
  sample: string
  /** What it is counted from, in words; empty where it stands for itself. */
  from: string
  /** The line or the sample that it is counted from, where it is counted from one. */
  counts?: Asked['counts']
  /** g that it is counted from, and g that were weighed. */
  whole: Figure | null
  mass: Figure | null
  dry: boolean | null
  /** The figure in `unit`; for a range its lower end. */
  figure: Figure | null
  /** The upper end of a range. */
  to: number | null
  unit: '%' | '°C' | 'mol/L' | ''
  /** As it is read, unit and all. */
  text: string
  /** What it is compared with, in its unit. */
  literature: { low: number; high: number } | null
  /** Ids of the entries that it rests on. */
  evidence: string[]
  judgement: Judgement | null
}

/** A result that a plan wants: of a sample, or of the whole where there is none. */
export interface Wanted {
  quantity: string
  sample?: string
}

/** A kind of result, whole: what it is called, which step measures it, and what a run has of it. */
export interface Quantity {
  id: string
  /** The operation that would measure it, where none does. */
  by: string
  /** Results of this kind that the plan's steps would give, whether they have been measured or not. */
  asked: (plan: RunState['plan']) => Asked[]
  /** What this run has of one; null while it is not measured. */
  measure: (run: RunState, base: BaseResults, asked: Asked) => Measured | null
}

/** A result that the steps of a plan would give. */
export interface Asked {
  sample: string
  of: string
  /** What it is counted from, in words for people. */
  from: string
  /** The line or the sample that it is counted from, where it is counted from one. */
  counts?: { line: string } | { sample: string }
}

/** What a kind of result finds; the rest of the outcome is what was asked. */
export type Measured = Partial<Omit<Outcome, 'key' | 'quantity' | 'of' | 'sample' | 'from'>> & Pick<Outcome, 'text' | 'unit'>

/** How far the reading itself may be off, in the unit of the result: its standard uncertainty, for each end of a range; empty where nobody can say. */
export function plusMinusOf({ figure, unit }: Pick<Outcome, 'figure' | 'unit'>): string {
  if (!figure || figure.u === 0 || figure.value === 0) return ''
  const u = figure.u * Math.abs(figure.value)
  return ` ± ${writeNumber(u, Math.max(0, -Math.floor(Math.log10(u))))}${unit && ` ${unit}`}`
}

/** What a result is called: a test by its own name, any other by what it measures and of what. */
export function resultName(quantity: string, of: string): string {
  return quantity === 'test' ? of : `${capital(quantity)} of ${of}`
}

/** Ids of the standing entries of the steps that a sample, or a step, is measured in. */
export function evidenceIn(run: RunState, measures: (step: RunState['steps'][number]['step']) => boolean): string[] {
  return run.steps
    .filter(({ step }) => measures(step))
    .flatMap(({ standing }) => standing.filter(({ kind }) => kind !== 'done').map(({ id }) => id))
}
