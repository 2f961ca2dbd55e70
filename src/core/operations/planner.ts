import type { Lab } from '../lab/lab'
import type { OperationKey } from './registry'
import type { Plan, Step, WorkValue } from '../plan/plan'
import type { Substance } from '../substance/substance'
import { writeNumber } from '../quantity/write'
import type { ReactionTable } from '../reaction/reactionTable'
import type { TemperatureReading } from './vessel/timeInBand'
import type { Blanks, Field, Filled } from './fields'
import type { OwnKey } from './own'
import type { Query } from './query'
import type { Taken } from './taken'
import type { HeadReading } from './distil/headReadings'
import type { Weighing } from '../measurements/agreement'

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
  /** The last pH that was read, and every titre in mL, by step. */
  pH?: Readonly<Record<string, number>>
  titresML?: Readonly<Record<string, number[]>>
}

/** Where a planner stands: a step of a plan, and the laboratory. */
export interface Context {
  plan: Plan
  table: ReactionTable
  step: Step
  lab: Lab
  measured?: Measured | undefined
  /** Solvents to compare besides those of the plan. */
  solvents?: readonly Substance[]
  /** The blanks of another step of the same plan. */
  filledOf: (step: Step) => Filled
}

/** A step of a plan as its planner sees it, with its place. */
export interface StepAt extends Context {
  index: number
}

/** What an operation doubts about a step of its own, whatever is typed into its planner. */
export type StepRule = (at: StepAt) => Query[]

/** A value that nobody typed, with where it comes from. */
export interface Said<V = WorkValue> {
  value: V
  from: Source
  /** What it follows from, for whoever asks: a clause without a full stop. */
  words: string
}

/** The plan itself, a record of a substance, the laboratory, what is usual where nothing is known, what was measured in the run; or nobody has said it. */
export type Source = 'plan' | 'record' | 'laboratory' | 'usual' | 'run' | 'unknown'

const from =
  (source: Source) =>
  <V>(value: V, words: string): Said<V> => ({ value, from: source, words })

export const ofPlan = from('plan')
export const ofRecord = from('record')
export const ofLab = from('laboratory')
export const usual = from('usual')
export const ofRun = from('run')
export const unknown = from('unknown')

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

/** The name of the substance that a blank holds by its id. */
export type NameOf = (held: unknown) => string

/** What an operation brings to its step: a few blanks with sensible values, and what follows from them. */
export interface Planner {
  of: OperationKey | 'own'
  title: string
  /** Sentences with `{key}` for each blank; those that matter with these values. `nameOf` prints the substance that a blank holds. */
  sentences: (filled: Filled, nameOf?: NameOf) => readonly string[]
  fields: readonly Field[]
  /** Blanks that say the same in two ways: what is typed into one takes back what was typed into the other. */
  either: readonly string[]
  /** What the plan, the laboratory, and the run where there is one, say about each blank, in the light of what was typed into others. */
  suggest: (context: Context, typed: Filled) => Record<string, Said>
  report: (context: Context, filled: Filled) => Report
  /** Advice that belongs in the margin whoever opens the step or not: its id, with the title of the query. */
  doubts: Readonly<Record<string, string>>
  /** What is worked out beside the figures, as plain tables. */
  tables: (context: Context, filled: Filled) => Record<string, unknown>
  /** What each group takes from the stores for it, by its figures. */
  takes: (context: Context, filled: Filled) => readonly Taken[]
  /** What is doubted about a step whatever its blanks hold. */
  rules: readonly StepRule[]
}

interface Made<F extends readonly Field[]> {
  of: OperationKey
  title: string
  fields: F
  sentences: (
    say: (strings: TemplateStringsArray, ...keys: (F[number]['key'] | OwnKey)[]) => string,
    blanks: Blanks<F>,
    nameOf: NameOf,
  ) => readonly string[]
  suggest: (context: Context, typed: Partial<Blanks<F>>) => { [K in keyof Blanks<F>]?: Said<Blanks<F>[K]> }
  report: (context: Context, blanks: Blanks<F>) => Report
  either?: readonly F[number]['key'][]
  doubts?: Readonly<Record<string, string>>
  tables?: (context: Context, blanks: Blanks<F>) => Record<string, unknown>
  takes?: (context: Context, blanks: Blanks<F>) => readonly Taken[]
  rules?: readonly StepRule[]
}

/** A sentence with the keys of its blanks where they stand. */
const say = (strings: TemplateStringsArray, ...keys: (string | number)[]) =>
  strings.reduce((text, piece, index) => `${text}{${keys[index - 1]}}${piece}`)

/**
 * A planner whose blanks are typed by its fields. What it is given holds a value of the right kind for each: the registry (planners.ts) lets nothing else through.
 */
export function planner<const F extends readonly Field[]>(made: Made<F>): Planner {
  return {
    either: [],
    doubts: {},
    tables: () => ({}),
    takes: () => [],
    rules: [],
    ...made,
    sentences: (filled: Filled, nameOf: NameOf = String) => made.sentences(say, filled as Blanks<F>, nameOf),
  } as unknown as Planner
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

export { rough } from '../quantity/rough'
