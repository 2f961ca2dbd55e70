import { asWords, printed } from '../words/words'
import { freeId } from '../plan/editPlan'
import type { OwnOperation, Plan, Step } from '../plan/plan'
import { operations, type OperationKey } from '../operations/registry'
import { makeStep } from '../operations/makeStep'
import type { Operation } from '../operations/operation'
import { asItStands } from '../operations/weigh/asItStands'

/** An operation of the author's own as it is made: with what its step says and how long it takes. */
export interface OwnMade {
  own: OwnOperation
  text: string
  handsOnMin: number
  waitMin: number
}

/** The operations of the author's own that stand in plans, each name once, the last as it stands. */
export function ownIn(plans: readonly Plan[]): OwnMade[] {
  const all = plans.flatMap(({ steps }) =>
    steps.flatMap((step): OwnMade[] =>
      step.kind === 'act' && step.own
        ? [{ own: step.own, text: printed(step.text), handsOnMin: step.handsOnMin, waitMin: step.waitMin }]
        : [],
    ),
  )
  return [...new Map(all.map((made) => [made.own.name, made])).values()]
}

/** The plan with a step of an operation of the author's own after the one named, or at the end. */
export function addOwnStep(plan: Plan, made: OwnMade, after?: string): { plan: Plan; id: string } {
  const { own, text, handsOnMin, waitMin } = made
  const id = freeId(
    'own',
    plan.steps.map((step) => step.id),
  )
  const step: Step = {
    ...{ id, kind: 'act', verb: own.name, own, handsOnMin, waitMin },
    title: asWords(own.name.charAt(0).toUpperCase() + own.name.slice(1)),
    text: asWords(text),
    ...(own.danger ? { caution: asWords(own.danger) } : {}),
  }
  return { plan: putAfter(plan, step, after), id }
}

function putAfter(plan: Plan, step: Step, after: string | undefined): Plan {
  const found = plan.steps.findIndex((other) => other.id === after)
  const at = found < 0 ? plan.steps.length : found + 1
  return { ...plan, steps: [...plan.steps.slice(0, at), step, ...plan.steps.slice(at)] }
}

/** The plan with a step of that operation after the one named, or at the end. */
export function addStep(plan: Plan, key: OperationKey, after?: string): { plan: Plan; id: string } {
  const operation: Operation = operations[key]
  const id = freeId(
    key,
    plan.steps.map((step) => step.id),
  )
  const title = operation.name.charAt(0).toUpperCase() + operation.name.slice(1)
  const fresh = makeStep(key, { id, title: asWords(title) }, plan)
  // A default is what the step before gives.
  const made = fresh.kind === 'weigh' ? { ...fresh, ...asItStands(plan, after) } : fresh
  const step: Step = operation.danger && !made.caution ? { ...made, caution: asWords(operation.danger) } : made
  return { plan: putAfter(plan, step, after), id }
}
