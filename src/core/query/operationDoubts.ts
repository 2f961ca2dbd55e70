import { contextOf, plannerFor, reportFor } from '../operations/planners'
import { queryOfAdvice, type Query, type QueryRule } from '../operations/query'
import { stepContents } from '../operations/vessel/contents'

/** What the operations doubt about their steps: by the rules of each, and what its planner finds loud enough for the margin with the figures that stand. */
export const operationDoubts: QueryRule = (plan, table, lab) => {
  const contents = stepContents(plan, table)
  return plan.steps.flatMap((step, index): Query[] => {
    const planner = plannerFor(step)
    if (!planner) return []
    const found = planner.rules.flatMap((rule) => rule({ plan, table, step, index, now: contents[index]! }))
    if (Object.keys(planner.doubts).length === 0) return found
    const { advice } = reportFor(contextOf(plan, table, step, lab))!
    const loud = advice.flatMap(({ id, level, words, why }): Query[] => {
      const title = planner.doubts[id]
      return title !== undefined && (level === 'doubt' || level === 'danger')
        ? [{ id: queryOfAdvice(id, step), about: step.id, title, evidence: why ? `${words} (${why})` : words }]
        : []
    })
    return [...found, ...loud]
  })
}
