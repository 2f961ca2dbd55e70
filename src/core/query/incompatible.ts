import { capital } from '../words/capital'
import { meetingsSource } from '../reaction/meetings'
import { meetingsIn } from '../safety/meetingsIn'
import type { Query, QueryRule } from '../operations/query'

/**
 * Two substances in one vessel that must not meet: by what their classes do to each other, whatever they are called. The first step in which they do is asked about.
 * Where a step is there for the meeting, it has a measure instead (cautionsOf).
 */
export const incompatible: QueryRule = (plan, table) => {
  const seen = new Set<string>()
  const queries: Query[] = []
  const add = (step: string, one: { id: string; name: string }, other: { id: string; name: string }, evidence: string) => {
    const pair = [one.id, other.id].sort().join(' ')
    if (seen.has(pair)) return
    seen.add(pair)
    queries.push({
      id: `incompatible-${one.id}-${other.id}`,
      about: step,
      title: `${one.name} meets ${other.name}`,
      evidence: `${evidence} If it is meant, say how it is kept safe.`,
    })
  }
  for (const { step, meeting, one, other, meant } of meetingsIn(plan, table))
    if (!meant)
      add(
        step,
        one,
        other,
        `${capital(meeting.one)} and ${meeting.other}${meeting.with ? ` with ${meeting.with}` : ''}: ${meeting.happens} (${meetingsSource}).`,
      )
  return queries
}
