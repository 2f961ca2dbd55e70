import type { Lab } from '../lab/lab'
import type { OperationKey } from './registry'
import type { Plan, Step, WorkRow, WorkValue } from '../plan/plan'
import type { Substance } from '../substance/substance'
import { writeNumber } from '../quantity/write'
import type { ReactionTable } from '../reaction/reactionTable'
import type { TemperatureReading } from './vessel/timeInBand'
import type { StepContents } from './vessel/contents'
import type { HeadReading } from './distil/headReadings'
import type { Weighing } from './dry/constantMass'

/** What was really measured, where a run is looked at rather than a plan. */
export interface Measured {
  /** Grams of each weighed sample. */
  samples: Readonly<Record<string, number>>
  /** Millilitres really used, by step. */
  usedML: Readonly<Record<string, number>>
  temperatures: Readonly<Record<string, TemperatureReading[]>>
  weighings: Readonly<Record<string, Weighing[]>>
  /** Readings at the head of a distillation, by step; and the windows that the group widened. */
  heads: Readonly<Record<string, HeadReading[]>>
  windows: Readonly<Record<string, { lowC: number; highC: number }>>
}

/** Where a planner stands: a step of a plan with what is in its vessel, and the laboratory. */
export interface Context {
  plan: Plan
  table: ReactionTable
  step: Step
  now: StepContents
  lab: Lab
  measured?: Measured
  /** Solvents to compare besides those of the plan. */
  solvents?: readonly Substance[]
  /** The blanks of another step of the same plan. */
  filledOf: (step: Step) => Filled
}

/** One blank of a planner's sentence. */
export type Field =
  /** `none` is shown for a 0 that nobody typed: not taken, not known. */
  | { key: string; label: string; kind: 'number'; unit: string; least: number; most: number; none?: string }
  | { key: string; label: string; kind: 'choice'; ways: readonly { value: string; words: string }[] }
  /** `offers`: names to choose from while it is typed; any other may be typed as well. */
  | { key: string; label: string; kind: 'text'; offers?: 'substances' | 'solvents' }
  | {
      key: string
      label: string
      kind: 'rows'
      columns: readonly Exclude<Field, { kind: 'rows' }>[]
      add: string
      fresh: WorkRow
    }

/** The value of every field: what was typed, and for the rest what the plan suggests. */
export type Filled = Record<string, WorkValue>

/** One figure that follows. */
export interface Fact {
  id: string
  name: string
  value: number
  unit: string
  text: string
  /** The working in one line: formula with numbers, and its source. */
  how?: string
  /** Shown at the bench too. */
  atBench?: boolean
}

/** Something to do or to doubt, with its reason. */
export interface Advice {
  id: string
  level: 'good' | 'open' | 'doubt' | 'danger'
  words: string
  why?: string
}

export interface Report {
  facts: Fact[]
  advice: Advice[]
  /** Things to be tried or done in order. */
  ladder?: { title: string; rungs: string[] }
}

/** What an operation brings to its step: a few blanks with sensible values, and what follows from them. */
export interface Planner {
  of: OperationKey
  title: string
  /** Sentences with `{key}` for each blank; those that matter with these values. */
  sentences: (filled: Filled) => readonly string[]
  fields: readonly Field[]
  /** What the plan, and the run where there is one, says about each blank, in the light of what was typed into others. */
  suggest: (context: Context, typed: Filled) => Filled
  report: (context: Context, filled: Filled) => Report
}

/** A fact with its figure written out. */
export function fact(
  id: string,
  name: string,
  value: number,
  unit: string,
  decimals: number,
  more: { how?: string; atBench?: boolean } = {},
): Fact {
  return {
    id,
    name,
    value,
    unit,
    text: `${writeNumber(value, decimals)}${unit === '' || unit === '%' ? '' : ' '}${unit === '%' ? ' %' : unit}`,
    ...more,
  }
}

/** A piece of advice, where its condition holds; for what goes into a list of advice. */
export function when(holds: boolean | undefined, id: string, level: Advice['level'], words: string, why?: string): Advice[] {
  return holds ? [{ id, level, words, ...(why === undefined ? {} : { why }) }] : []
}

export const number = (filled: Filled, key: string): number => (typeof filled[key] === 'number' ? filled[key] : 0)
export const word = (filled: Filled, key: string): string => (typeof filled[key] === 'string' ? filled[key] : '')
export const rowsOf = (filled: Filled, key: string): WorkRow[] => (Array.isArray(filled[key]) ? filled[key] : [])

/** A small or large number as 4.3·10⁻⁸, others to three figures. */
export function inPowers(value: number): string {
  if (value !== 0 && (Math.abs(value) < 1e-3 || Math.abs(value) >= 1e5)) {
    const power = Math.floor(Math.log10(Math.abs(value)))
    const raised = String(power)
      .replace('-', '⁻')
      .replace(/\d/g, (digit) => '⁰¹²³⁴⁵⁶⁷⁸⁹'[Number(digit)]!)
    return `${writeNumber(value / 10 ** power, 1)}·10${raised}`
  }
  return String(Number(value.toPrecision(3)))
}

/** A blank for a number. */
export const blank = (key: string, label: string, unit: string, least: number, most: number, none?: string): Field => ({
  key,
  label,
  kind: 'number',
  unit,
  least,
  most,
  ...(none === undefined ? {} : { none }),
})

/** A blank that is one of a few words. */
export const oneOf = (key: string, label: string, ways: readonly (string | readonly [string, string])[]): Field => ({
  key,
  label,
  kind: 'choice',
  ways: ways.map((way) => (typeof way === 'string' ? { value: way, words: way } : { value: way[0], words: way[1] })),
})

/** To three figures, for suggestions: nobody types more; to more of them where a sum is read from it. */
export const rough = (value: number, figures = 3): number => (value === 0 ? 0 : Number(value.toPrecision(figures)))
