import type { OwnOperation } from '../../plan/plan'
import { fact, unknown, type Planner } from '../planner'

/** The planner of an operation of the author's own: its blanks, which stand at the bench as they were typed. */
export function ownPlanner({ name, blanks = [] }: OwnOperation): Planner | undefined {
  if (blanks.length === 0) return undefined
  return {
    of: 'own',
    title: name,
    sentences: () => [`${blanks.map(({ key, label }) => `${label} {${key}}`).join(', ')}.`],
    fields: blanks.map(({ key, label, unit, least, most }) => ({
      key,
      label,
      kind: 'number' as const,
      unit,
      least: Math.min(least, 0),
      most,
      none: 'not said',
    })),
    suggest: () => Object.fromEntries(blanks.map(({ key }) => [key, unknown(0, 'nobody has said it')])),
    report: (_context, filled) => ({
      facts: blanks.flatMap(({ key, label, unit }) => {
        const value = filled[key]
        return typeof value === 'number' && value !== 0
          ? [fact(key, label, value, unit, Number.isInteger(value) ? 0 : 2, { atBench: true })]
          : []
      }),
      advice: [],
    }),
    doubts: {},
    tables: () => ({}),
    takes: () => [],
    either: [],
    rules: [],
  }
}
