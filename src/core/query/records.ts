import { operationIn } from '../operations/registry'
import { mainResult, type Plan } from '../plan/plan'
import type { Query, QueryRule } from '../operations/query'

/** What a report needs and nobody is told to write: the group's own charge of what the result counts from. */
export const records: QueryRule = (plan, table) => {
  if (!plan.steps.some((step) => operationIn(step)?.place !== 'first')) return []
  return notCharged(plan, table.limiting)
}

function notCharged(plan: Plan, limiting: readonly string[]): Query[] {
  const recovery = mainResult(plan)?.recovery
  const of = recovery && plan.lines.find(({ id }) => id === recovery.of)
  const counted = of ? [of.anchor?.of === 'share' ? of.anchor.line : of.id] : limiting
  return counted.flatMap((id) => {
    const line = plan.lines.find((candidate) => candidate.id === id)!
    const name = plan.substances.find((substance) => substance.id === line.substance)!.name
    if (plan.steps.some((step) => step.kind === 'charge' && step.line === id)) return []
    return [
      {
        id: `not-measured-${id}`,
        about: id,
        title: `Nobody writes down how much ${name} went in`,
        evidence:
          'The result counts from it, and each group charges its own amount: without a step that measures it the report would rest on the plan.',
      },
    ]
  })
}
