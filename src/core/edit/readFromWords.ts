import type { Plan, Step } from '../plan/plan'
import { stepFacts } from '../plan/stepFacts'
import { typedFor } from '../plan/typedFor'
import { writeNumber } from '../quantity/write'
import { plannerFor } from '../operations/planners'

/** What an older version of the file said in the words of a step and holds in fields now, one phrase a field; nothing once the author has looked at it. */
export function readFromWords(step: Step): string[] {
  const fields = plannerFor(step)?.fields ?? []
  return (step.read ?? []).flatMap((key) => {
    if (key === 'says') return (step.says ?? []).map((fact) => stepFacts[fact])
    if (key === 'waste') return [`waste into ${(step.waste ?? []).map(({ into }) => into).join('; ')}`]
    const field = fields.find((each) => each.key === key)
    const value = typedFor(step)[key]
    if (!field || value === undefined || Array.isArray(value)) return []
    if (field.kind === 'choice') return [`${field.label}: ${field.ways.find((way) => way.value === value)?.words ?? value}`]
    const unit = field.kind === 'number' && field.unit ? ` ${field.unit}` : ''
    return [`${field.label}: ${typeof value === 'number' ? writeNumber(value, value % 1 === 0 ? 0 : 1) : value}${unit}`]
  })
}

/** The plan with what was read from the words of that step, or of all of them, taken as the author's own. */
export function takeAsOwn(plan: Plan, id?: string): Plan {
  return {
    ...plan,
    steps: plan.steps.map((step) => {
      if (!step.read || (id !== undefined && step.id !== id)) return step
      const { read: _read, ...rest } = step
      return rest as Step
    }),
  }
}
