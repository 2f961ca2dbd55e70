import type { OperationKey } from '../../operations/registry'
import { planners } from '../../operations/planners'
import type { Plan, Step } from '../../plan/plan'
import type { ProposedStep } from './proposal'

const isHold = (step: Step): step is Extract<Step, { kind: 'hold' }> => step.kind === 'hold'

/** Fields of the step itself that were read: clock, waiting, solvent. */
export function ownFields(step: Step, proposed: ProposedStep, plan: Plan): Record<string, unknown> {
  const own = Object.fromEntries(
    proposed.fields.filter(({ key }) => key.startsWith('@')).map(({ key, value }) => [key.slice(1), value]),
  )
  const minutes = Number(own.holdMin ?? own.waitMin ?? NaN)
  if (Number.isNaN(minutes)) return {}
  if (isHold(step) || step.kind === 'reflux') return { holdMin: Math.max(0.1, minutes), waitMin: minutes }
  return plan.steps.length > 0 && minutes <= 10_000 ? { waitMin: minutes } : {}
}

/** Blanks of the planner that were read, as far as its operation has them and they keep to its bounds. */
export function workFields(operation: OperationKey, proposed: ProposedStep): Record<string, number | string> {
  const fields = planners[operation]?.fields ?? []
  return Object.fromEntries(
    proposed.fields.flatMap(({ key, value }): [string, number | string][] => {
      const field = fields.find((each) => each.key === key)
      if (!field || field.kind === 'rows') return []
      if (field.kind === 'number')
        return typeof value === 'number' && value >= field.least && value <= field.most ? [[key, value]] : []
      if (field.kind === 'choice') return field.ways.some((way) => way.value === value) ? [[key, value]] : []
      return [[key, value]]
    }),
  )
}
