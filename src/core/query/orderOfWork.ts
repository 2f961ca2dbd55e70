import { moveStep } from '../plan/editPlan'
import { addStep } from '../edit/addStep'
import { operationIn, operationKeys, operations, type OperationKey } from '../operations/registry'
import type { Plan, Step } from '../plan/plan'
import type { Operation } from '../operations/operation'
import type { Query, QueryRule } from '../operations/query'

/** Steps that come without the one they need before them: safety first, apparatus before heat, a dry solid before the capillary, waste at the end. */
export const orderOfWork: QueryRule = (plan) => {
  const { steps } = plan
  const before = (step: Step) => steps.slice(0, steps.indexOf(step))
  const found: Query[] = []
  if (steps.length === 0) return found
  if (operationIn(steps[0]!)?.place !== 'first')
    found.push({
      id: 'safety-first',
      about: steps[0]!.id,
      title: 'Safety is not the first step',
      evidence: 'A group reads and confirms the safety sheet before anything is opened.',
      remedy: { label: 'Put it first', apply: safetyFirst },
    })
  for (const step of steps) {
    if (operationIn(step)?.heats === 'under a condenser' && !before(step).some((other) => operationIn(other)?.setsUp))
      found.push({
        id: `unchecked-heat-${step.id}`,
        about: step.id,
        title: 'Heat without an apparatus check',
        evidence:
          'No step before this one sets up and checks the apparatus: clamped, water running, open at one place, chips in the cold flask.',
      })
    if (step.kind === 'melt' && !before(step).some((other) => other.kind === 'dry' && other.sample === step.sample))
      found.push({
        id: `wet-melt-${step.id}`,
        about: step.id,
        title: 'Melted before it is dry',
        evidence: `No step before this one dries ${step.sample} to constant mass. A wet solid melts low and broad.`,
      })
    if (step.kind === 'crystallise' && !before(step).some((other) => other.kind === 'weigh' && other.sample === step.from))
      found.push({
        id: `no-crude-mass-${step.id}`,
        about: step.id,
        title: 'No mass before the crystallisation',
        evidence: `No step weighs ${step.from}, so the recovery of the crystallisation cannot be told from the yield of the reaction.`,
      })
  }
  if (
    steps.length > 3 &&
    !steps.some((step) => ['waste', 'last'].includes(operationIn(step)?.place ?? '') || (step.waste?.length ?? 0) > 0)
  )
    found.push({
      id: 'no-disposal',
      about: steps.at(-1)!.id,
      title: 'Nothing says where the waste goes',
      evidence: 'A group that is not told puts it in the sink or in the nearest bottle.',
      remedy: { label: 'Add a step for the waste', apply: (current) => addStep(current, standing('waste')).plan },
    })
  return found
}

/** The operation that stands at that place. */
const standing = (place: Operation['place']): OperationKey =>
  operationKeys.find((key) => (operations[key] as Operation).place === place)!

function safetyFirst(plan: Plan): Plan {
  const known = plan.steps.find((step) => operationIn(step)?.place === 'first')
  if (known) return moveStep(plan, known.id, 0)
  const { plan: added, id } = addStep(plan, standing('first'))
  return moveStep(added, id, 0)
}
