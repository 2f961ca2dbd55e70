import type { Plan, Step } from '../plan/plan'
import type { Words } from '../words/words'
import type { Operation } from './operation'
import { operations, type OperationKey } from './registry'

/** A fresh step of an operation, as it stands before anything is typed. */
export function makeStep(key: OperationKey, base: { id: string; title: Words }, plan: Plan): Step {
  const made = (operations[key] as Operation).make(base, plan)
  return made.kind === 'act' || made.kind === 'hold' ? { ...made, operation: key } : made
}
