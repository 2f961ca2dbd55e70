import { stepContents } from '../operations/vessel/contents'
import { meetingsSource } from '../safety/meetings'
import { meetingsIn } from '../safety/meetingsIn'
import type { Query, QueryRule } from '../operations/query'

/**
 * Two substances in one vessel that must not meet: by what their classes do to each other, whatever they are called, and by what a record says of its own substance. The first step in which they do is asked about.
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
  const meantHere = (step: string, one: string, other: string) =>
    meetingsIn(plan, table).some(
      (met) => met.meant && met.step === step && [met.one.id, met.other.id].sort().join() === [one, other].sort().join(),
    )
  for (const { step, contents } of stepContents(plan, table))
    for (const { substance } of contents)
      for (const { substance: other } of contents) {
        const { incompatible: known } = substance
        if (known && substance.id !== other.id && known.with.includes(other.name) && !meantHere(step, substance.id, other.id))
          add(step, substance, other, `${substance.name} must not meet ${known.with.join('; ')} (${known.source}).`)
      }
  return queries
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)
