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
  /** Entries that stand, oldest first; a rewritten one in the place of the first. */
  standing: Entry[]
  struck: Struck[]
  net: Net | null
  signature: SignatureState
  /** Device time of the first and last standing entry. */
  startedAt: string | null
  endedAt: string | null
}
