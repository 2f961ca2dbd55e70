import type { Mark } from './marks'
import type { uses } from './uses'
import { printedIn, type Words } from '../words/words'

/** The faces of the pad: what is asked for at the bench, in the words of its measurement. */

/** Something else that may be said instead. */
export interface Also {
  label: string
  /** The press it writes; where there is none, the step is over. */
  mark?: Mark
  /** What is said before it is taken. */
  warns?: { words: string; keep: string; back: string }
}

interface Said {
  label: string
  hint: string
  also?: readonly Also[]
}

/** One number from one device. */
export interface NumberDue extends Said {
  kind: 'reading'
  slot: string
  unit: 'g' | 'mL' | '°C' | 'mmHg' | ''
  decimals: number
  weighing?: 'tare' | 'difference'
  /** The state of the container is asked for. */
  asksClosure?: boolean
}

export interface ReadNumber {
  value: number
  decimals: number
}

/** What is known where two numbers are entered. */
export interface Surroundings {
  /** Pressure of the laboratory, mmHg. */
  mmHg: number
  /** The apparatus and the line of its standards: true = offset + slope·read. */
  instrument?: { name: string; offsetC: number; slope: number }
}

/** Two numbers that make one line of the book. */
export interface PairDue extends Said {
  kind: 'pair'
  entry: 'melting' | 'boiling' | 'refraction'
  faces: readonly [PairFace, PairFace]
  /** The button while the second is still empty. */
  next: string
  /** It is corrected by the standards of an apparatus. */
  apparatus?: true
  problem: (first: ReadNumber, second: ReadNumber) => string | undefined
  body: (first: ReadNumber, second: ReadNumber, around: Surroundings) => object
}

export interface PairFace {
  label: string
  hint: string
  unit: string
  decimals: number
}

export type Due =
  | NumberDue
  | PairDue
  | ({ kind: 'tare'; decimals: number } & Said)
  | ({ kind: 'head'; first: boolean } & Said)
  /** A moment; `ends` where it ends a clock. */
  | ({ kind: 'press'; mark: Mark; ends?: true } & Said)
  | ({ kind: 'done'; checks?: readonly string[]; ends?: true } & Said)
  | ({ kind: 'words'; slot: string; example: string; uses: typeof uses } & Said)
  | ({ kind: 'spots' } & Said)
  | ({ kind: 'tubes' } & Said)

/** The press that ends a step, in the group's judgement. */
export const over = (until: Words | undefined, label = 'Done'): Due & { kind: 'done' } => ({
  kind: 'done',
  label,
  hint: printedIn(until, (text) => `It is over ${text}.`),
})
