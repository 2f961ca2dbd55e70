import { capital } from '../words/capital'
import { meetingsSource } from '../reaction/meetings'
import type { Meeting } from '../reaction/meeting'
import { meetingsIn } from '../operations/vessel/meetingsIn'
import type { Query, QueryRule } from '../operations/query'

/**
 * Two substances in one vessel that must not meet: by what their classes do to each other, whatever they are called. The first step in which they do is asked about, the gravest first.
 * Where a step is there for the meeting, or it happens every day, it has a measure instead (cautionsOf).
 */
export const incompatible: QueryRule = (plan, table) => {
  const seen = new Set<string>()
  return meetingsIn(plan, table).flatMap(({ step, meeting, one, other, meant }): Query[] => {
    const pair = [one.substance.id, other.substance.id].sort().join(' ')
    if (meant || meeting.grave === 'heed' || seen.has(pair)) return []
    seen.add(pair)
    return [
      {
        id: `incompatible-${one.substance.id}-${other.substance.id}`,
        about: step,
        title: `${one.substance.name} meets ${other.substance.name}`,
        evidence: `${evidenceOf(meeting)} ${meeting.instead} If it is meant, say how it is kept safe.`,
      },
    ]
  })
}

/** What a meeting does, with how grave that is and where it is said. */
export function evidenceOf({ one, other, with: third, grave, happens }: Meeting): string {
  return `${capital(one)} and ${other}${third ? ` with ${third}` : ''}: ${happens}${grave === 'kills' ? '. It may kill' : ''} (${meetingsSource}).`
}
