import { asWords, type Words } from '../words/words'
import { freeId } from '../plan/editPlan'
import type { Plan, Step } from '../plan/plan'
import { operations, type OperationKey } from '../operations/registry'
import type { Operation } from '../operations/operation'

/** A fresh step of an operation, as it stands before anything is typed. */
export function makeStep(key: OperationKey, base: { id: string; title: Words }, plan: Plan): Step {
  const made = (operations[key] as Operation).make(base, plan)
  return made.kind === 'act' || made.kind === 'hold' ? { ...made, operation: key } : made
}

/** The plan with a step of that operation after the one named, or at the end. */
export function addStep(plan: Plan, key: OperationKey, after?: string): { plan: Plan; id: string } {
  const operation: Operation = operations[key]
  const id = freeId(
    key,
    plan.steps.map((step) => step.id),
  )
  const title = operation.name.charAt(0).toUpperCase() + operation.name.slice(1)
  const made = makeStep(key, { id, title: asWords(title) }, plan)
  const step: Step = operation.danger && !made.caution ? { ...made, caution: asWords(operation.danger) } : made
  const found = plan.steps.findIndex((other) => other.id === after)
  const at = found < 0 ? plan.steps.length : found + 1
  return { plan: { ...plan, steps: [...plan.steps.slice(0, at), step, ...plan.steps.slice(at)] }, id }
}
