import { meetsIn } from '../matter/reactions/meets'
import type { Vessel } from '../matter/state'
import { meetingsIn, named, pairName } from '../operations/vessel/meetingsIn'
import { wasteIn } from '../operations/vessel/wasteIn'
import { evidenceOf } from './incompatible'
import type { Query, QueryRule } from '../operations/query'

/** Two things in one waste container that must not meet, or that give gas in what is closed; what has met in a vessel before has done so there. */
export const wasteMeets: QueryRule = (plan, table, lab) => {
  const met = new Set(meetingsIn(plan, table, lab).map(pairName))
  const asked = new Set<string>()
  const inside = new Map<string, Vessel>()
  return wasteIn(plan, table, lab).put.flatMap(({ into, step, vessel }) => {
    const there = inside.get(into)
    inside.set(into, { ...vessel, phases: [...(there?.phases ?? []), ...vessel.phases] })
    return meetsIn(there, vessel, vessel)
      .flatMap((each) => named(plan, each))
      .flatMap(({ row, one, other }): Query[] => {
        const name = pairName({ one, other })
        if (met.has(name) || asked.has(`${into} ${name}`) || (row.grade === 'heed' && !row.gas)) return []
        asked.add(`${into} ${name}`)
        return [
          {
            id: `waste-meets-${into.replace(/\W+/g, '-')}-${name.replace(' ', '-')}`,
            about: step,
            title: `${one.name} meets ${other.name} in the container ${into}`,
            evidence: `${evidenceOf(row)} A container is closed between one group and the next. Give each its own, or destroy the one first.`,
          },
        ]
      })
  })
}
