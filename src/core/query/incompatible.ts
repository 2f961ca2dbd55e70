import { capital } from '../words/capital'
import type { Row } from '../matter/reactions/row'
import { meetingsIn, pairName } from '../operations/vessel/meetingsIn'
import type { Query, QueryRule } from '../operations/query'

/**
 * Two substances in one vessel that must not meet: by what their classes do to each other, whatever they are called. The first step in which they do is asked about, the gravest first.
 * Where a step is there for the meeting, or it happens every day, it has a measure instead (cautionsOf); what may kill is asked about all the same.
 */
export const incompatible: QueryRule = (plan, table, lab) => {
  const seen = new Set<string>()
  return meetingsIn(plan, table, lab).flatMap(({ step, row, one, other, meant }): Query[] => {
    const pair = pairName({ one, other })
    // What may kill is asked about, whatever the step is there for: a measure does not answer it.
    if ((meant && row.grade !== 'kills') || row.grade === 'heed' || seen.has(pair)) return []
    seen.add(pair)
    return [
      {
        id: `incompatible-${one.id}-${other.id}`,
        about: step,
        title: `${one.name} meets ${other.name}`,
        evidence: `${evidenceOf(row)} ${row.instead} If it is meant, say how it is kept safe.`,
      },
    ]
  })
}

/** What a meeting does, with how grave that is and where it is said. */
export function evidenceOf({ one, other, with: third, grade, happens, source }: Row): string {
  return `${capital(one)} and ${other}${third ? ` with ${third}` : ''}: ${happens}${grade === 'kills' ? '. It may kill' : ''} (${source}).`
}
