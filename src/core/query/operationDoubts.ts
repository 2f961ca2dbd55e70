import { contextOf, plannerFor, reportFor } from '../operations/planners'
import type { Query, QueryRule } from './query'

/** Doubts of the planners that belong in the margin, whoever opens the step or not. */
const titles: Readonly<Record<string, string>> = {
  'on-top': 'Either layer may lie on top',
  oil: 'It may come as an oil',
  dryness: 'Distilled to dryness',
  against: 'The drying agent binds the product',
  hot: 'Hotter than is allowed',
}

/** What the planners of the steps doubt with the figures that stand, on any laboratory: layers of nearly one density, oiling out, dryness, heat above a ceiling or an oven near the melting point. */
export const operationDoubts: QueryRule = (plan, table) =>
  plan.steps.flatMap((step): Query[] => {
    if (!plannerFor(step)) return []
    const { advice } = reportFor(contextOf(plan, table, step))!
    return advice
      .filter(({ id, level }) => titles[id] !== undefined && (level === 'doubt' || level === 'danger'))
      .map(({ id, words, why }) => ({
        id: `${id}-${step.id}`,
        about: step.id,
        title: titles[id]!,
        evidence: why ? `${words} (${why})` : words,
      }))
  })
