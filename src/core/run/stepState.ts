import type { Step } from '../plan/plan'
import type { Entry } from './entry'
import type { Net } from '../measurements/measurement'

/** A struck entry: what stood there, when it was struck, why and by whom. */
export interface Struck {
  entry: Entry
  by: string
  at: string
  reason: string
}

export type SignatureState =
  | { state: 'not needed' }
  | { state: 'not yet' }
  | { state: 'due' }
  | { state: 'void'; by: string; at: string }
  | { state: 'signed'; by: string; at: string }

export interface StepState {
  step: Step
  status: 'done' | 'now' | 'later'
  /** Entries that stand, oldest first; a rewritten one in the place of the first. Of a step that was repeated, those of its last round. */
  standing: Entry[]
  /** Entries of the rounds before, where it was repeated. */
  earlier: Entry[]
  /** How often it has been begun: 1 but where it was repeated. */
  round: number
  /** Why it was left out; null where it was not. */
  skipped: string | null
  /** Whether it takes what is due: it is now, or was opened out of turn or once more and is not over. */
  open: boolean
  /** Why it was done before its turn; null where it was not. */
  ahead: string | null
  struck: Struck[]
  /** The entry that put this step in; null where it stands in the plan. */
  putIn: Entry<'step'> | null
  /** Readings that two tablets wrote in the same place without knowing of each other, all but one of which must be struck before the figure counts. */
  twice: Entry[][]
  net: Net | null
  signature: SignatureState
  /** Device time of the first and last standing entry. */
  startedAt: string | null
  endedAt: string | null
}
