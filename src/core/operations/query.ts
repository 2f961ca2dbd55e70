import type { Lab } from '../lab/lab'
import type { Plan, Step } from '../plan/plan'
import type { ReactionTable } from '../reaction/reactionTable'

/** Something the program doubts about a plan. It never blocks; it can be answered with a reason that stays on the plan. */
export interface Query {
  /** Stable over edits that do not touch what it is about, so that an answer stays attached. */
  id: string
  /** Id of the line or step it stands beside. */
  about: string
  title: string
  /** What it rests on. */
  evidence: string
  /** A change that would settle it, offered as one click. */
  remedy?: { label: string; apply: (plan: Plan) => Plan }
}

/** What a plan raises as it stands in a laboratory. */
export type QueryRule = (plan: Plan, table: ReactionTable, lab: Lab) => Query[]

/** The query that a piece of advice of a step is, where it is one: it then stands in the margin. */
export const queryOfAdvice = (advice: string, step: Step): string => `${advice}-${step.id}`
