import { lineName } from '../plan/lineName'
import { linesNamed } from '../plan/partsUsed'
import { isCharged } from '../plan/plan'
import { writeNumber } from '../quantity/write'
import type { Query, QueryRule } from '../operations/query'

/** A line that no step uses or two steps charge, and a step that names a line that is not in the table. */
export const lineUse: QueryRule = (plan, table) => {
  const written = plan.steps.some(({ kind }) => kind !== 'safety')
  if (!written) return []
  const named = linesNamed(plan)
  const used = new Set(named.map(({ line }) => line))
  const ids = new Set(plan.lines.map(({ id }) => id))
  const lines = table.lines
    .filter(({ line }) => isCharged(line))
    .flatMap(({ line }): Query[] => {
      const charging = plan.steps.filter((step) => step.kind === 'charge' && step.line === line.id)
      if (!used.has(line.id))
        return [
          {
            id: `unused-${line.id}`,
            about: line.id,
            title: `No step uses ${lineName(plan, line)}`,
            evidence: `It stands in the table, and nobody is told to add it. Charge it in a step, or write {${line.id}} in a step’s words.`,
          },
        ]
      const portions = charging.reduce((sum, step) => sum + ((step.kind === 'charge' && step.portion) || 1), 0)
      return charging.length > 1 && Math.abs(portions - 1) > 1e-9
        ? [
            {
              id: `twice-${line.id}`,
              about: charging[1]!.id,
              title: `${lineName(plan, line)} is charged twice`,
              evidence: `“${charging[0]!.title}” and “${charging[1]!.title}” together charge ${writeNumber(100 * portions, 0)} % of the line. Give each its part, so that they make 100 %.`,
            },
          ]
        : []
    })
  const steps = named
    .filter(({ line }) => !ids.has(line))
    .map(({ line, step }) => ({
      id: `unknown-line-${step.id}-${line}`,
      about: step.id,
      title: 'A step names a line that is not there',
      evidence: `“${step.title}” says {${line}}. The lines are ${[...ids].join(', ')}.`,
    }))
  return [...lines, ...steps]
}
