import type { Anchor, Form } from '../../plan/plan'
import type { Role } from '../../plan/lists'
import type { OperationKey } from '../../operations/registry'
import type { Substance } from '../../substance/substance'
import type { TextRead } from './readText'
import type { Figure } from './figures'
import type { Span } from './span'
import type { ReadField, ReadStep } from './step'

/** What may be changed about a line before it is taken. */
export interface LineChange {
  substance?: Substance
  form?: Form
  anchor?: Anchor | null
  role?: Role
  coefficient?: number | null
}

/** What may be changed about a step before it is taken. */
export interface StepChange {
  operation?: OperationKey
  fields?: readonly ReadField[]
}

export interface Choice<Change> {
  label: string
  change: Change
}

/** A question that the text leaves open, with what it can mean; nothing of it is taken before it is answered. */
export interface Ask<Change> {
  id: string
  words: string
  choices: readonly Choice<Change>[]
}

export interface ProposedLine {
  id: string
  /** Every place where the text speaks of it, the first first. */
  spans: readonly Span[]
  /** Its name as the text has it. */
  written: string
  /** Absent while nobody knows what it is. */
  substance?: Substance
  form: Form
  anchor: Anchor | null
  role: Role
  coefficient: number | null
  note?: string
  asks: readonly Ask<LineChange>[]
  measure?: Figure
  besides: readonly Figure[]
  /** It follows from the equation and stands in the text without an amount. */
  follows?: true
}

export interface ProposedStep {
  id: string
  read: ReadStep
  operation: OperationKey
  fields: readonly ReadField[]
  /** Lines that it takes, each with the place in the text where it stands. */
  lines: readonly { id: string; at: Span }[]
  /** The part of a line that goes in here, where it is not all of it. */
  parts?: Readonly<Record<string, number>>
  asks: readonly Ask<StepChange>[]
  /** It stands in no text, and most plans need it. */
  offered?: string
}

/** Something in which the text does not agree with itself, or with what is on record. */
export interface Disagreement {
  id: string
  title: string
  words: string
  at: readonly Span[]
}

/** What the plan is for: it makes something, gets something back, or neither. */
export type Does = 'makes' | 'isolates' | 'works'

export interface Proposal {
  read: TextRead
  title: string
  does: Does
  /** Id of the line that is made or sought. */
  product?: string
  /** Id of the line that ratios count from. */
  reference?: string
  lines: readonly ProposedLine[]
  steps: readonly ProposedStep[]
  /** True where both sides have the same atoms. */
  balanced: boolean
  disagreements: readonly Disagreement[]
  /** Pieces of the text that nothing was read from; they stay as words of a step. */
  left: readonly Span[]
}
