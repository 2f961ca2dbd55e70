import { contextOf, plannerFor, reportFor } from '../operations/planners'
import { queryOfAdvice, type Query, type QueryRule } from '../operations/query'

/** What the operations doubt about their steps: by the rules of each, and what its planner finds loud enough for the margin with the figures that stand. */
export const operationDoubts: QueryRule = (plan, table, lab) => {
  return plan.steps.flatMap((step, index): Query[] => {
    const planner = plannerFor(step)
    if (!planner) return []
    const context = contextOf(plan, table, step, lab)
    const found = planner.rules.flatMap((rule) => rule({ ...context, index }))
    if (Object.keys(planner.doubts).length === 0) return found
    const { advice } = reportFor(context)!
    const loud = advice.flatMap(({ id, level, words, why }): Query[] => {
      const title = planner.doubts[id]
      return title !== undefined && (level === 'doubt' || level === 'danger')
        ? [{ id: queryOfAdvice(id, step), about: step.id, title, evidence: why ? `${words} (${why})` : words }]
        : []
    })
    return [...found, ...loud]
  })
}
