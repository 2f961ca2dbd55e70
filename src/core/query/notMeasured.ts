import { addStep } from '../edit/addStep'
import type { Query, QueryRule } from '../operations/query'
import { isOperation, operationIn, operations } from '../operations/registry'
import type { Operation } from '../operations/operation'
import { changeStep } from '../plan/editPlan'
import { quantities } from '../result/quantities/registry'
import { wantedResults } from '../result/runResults'

/** A result that the plan says it wants and no step measures: the step that would is offered. */
export const notMeasured: QueryRule = (plan) => {
  const measured = wantedResults(plan)
  return (plan.wants ?? []).flatMap((want): Query[] => {
    const quantity = quantities.find(({ id }) => id === want.quantity)
    if (!quantity || measured.some((each) => each.quantity === quantity && (!want.sample || each.sample === want.sample)))
      return []
    const { by } = quantity
    const step = isOperation(by) ? (operations[by] as Operation).name : by
    const last = plan.steps.findLast((each) => !['waste', 'last'].includes(operationIn(each)?.place ?? ''))
    return [
      {
        id: `not-measured-${`${want.quantity} ${want.sample ?? ''}`.trim().replace(/\W+/g, '-')}`,
        about: last?.id ?? plan.reference,
        title: `No step measures the ${want.quantity}${want.sample ? ` of ${want.sample}` : ''}`,
        evidence: `The plan wants it, and no step gives it. “${step}” would.`,
        ...(isOperation(by)
          ? {
              remedy: {
                label: `Add “${step}”`,
                apply: (current) => {
                  const { plan: next, id } = addStep(current, by, last?.id)
                  const made = next.steps.find((each) => each.id === id)!
                  if (!want.sample) return next
                  return changeStep(
                    next,
                    id,
                    'sample' in made ? { sample: want.sample } : { work: { of: by, sample: want.sample } },
                  )
                },
              },
            }
          : {}),
      },
    ]
  })
}
