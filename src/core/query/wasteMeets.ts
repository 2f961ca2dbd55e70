import { meetingsIn, pairName, pairsAmong } from '../operations/vessel/meetingsIn'
import { placedIn } from '../operations/vessel/placedIn'
import { evidenceOf } from './incompatible'
import type { Query, QueryRule } from '../operations/query'

/** Two things in one waste container that must not meet, or that give gas in what is closed; what has met in a vessel before has done so there. */
export const wasteMeets: QueryRule = (plan, table) => {
  const met = new Set(meetingsIn(plan, table).map(pairName))
  const asked = new Set<string>()
  return [...placedIn(plan, table)].flatMap(([into, { step, contents }]) =>
    pairsAmong(contents).flatMap(({ meeting, one, other }): Query[] => {
      const name = pairName({ one, other })
      if (met.has(name) || asked.has(`${into} ${name}`) || (meeting.grave === 'heed' && !meeting.gas)) return []
      asked.add(`${into} ${name}`)
      return [
        {
          id: `waste-meets-${into.replace(/\W+/g, '-')}-${name.replace(' ', '-')}`,
          about: step,
          title: `${one.substance.name} meets ${other.substance.name} in the container ${into}`,
          evidence: `${evidenceOf(meeting)} A container is closed between one group and the next. Give each its own, or destroy the one first.`,
        },
      ]
    }),
  )
}
