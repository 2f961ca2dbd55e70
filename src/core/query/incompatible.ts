import { stepContents } from '../operation/contents'
import type { Query, QueryRule } from './query'

/** Two substances in one vessel of which one record says that they must not meet. The first step in which they do is asked about. */
export const incompatible: QueryRule = (plan, table) => {
  const seen = new Set<string>()
  return stepContents(plan, table).flatMap(({ step, contents }): Query[] =>
    contents.flatMap(({ substance }) => {
      const { incompatible: known } = substance
      if (!known) return []
      return contents.flatMap(({ substance: other }) => {
        if (substance.id === other.id || !known.with.includes(other.name)) return []
        const pair = [substance.id, other.id].sort().join(' ')
        if (seen.has(pair)) return []
        seen.add(pair)
        return [
          {
            id: `incompatible-${substance.id}-${other.id}`,
            about: step,
            title: `${substance.name} meets ${other.name}`,
            evidence: `${substance.name} must not meet ${known.with.join('; ')} (${known.source}). If it is meant, say how it is kept safe.`,
          },
        ]
      })
    }),
  )
}
