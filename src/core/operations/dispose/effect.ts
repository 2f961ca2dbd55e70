import { aqueousStreams } from '../../substance/lists'
import { holdingsIn, isEmpty, together, withVessel, type Bench, type Vessel } from '../../matter/state'
import type { Step } from '../../plan/plan'
import type { MatterEffect } from '../../matter/walk'

type Placed = NonNullable<Step['waste']>[number]

const samplesAt = ({ samples }: Bench) => new Set(Object.values(samples))

/** The vessels that a step puts into a container: those of the kind that it names, else those whose contents belong there by the record of what there is most of. What was weighed as a sample stays. */
function goesIn(bench: Bench, { into, what }: Placed): Vessel[] {
  const samples = samplesAt(bench)
  const open = bench.vessels.filter((vessel) => !isEmpty(vessel) && !samples.has(vessel.name))
  if (what === 'all that is left') return open
  if (what !== undefined)
    return open.filter(({ kept, phases }) => kept === what || (what === 'solid' && phases.every(({ kind }) => kind === 'solid')))
  return open.filter((vessel) => {
    const heaviest = holdingsIn(vessel).sort((a, b) => (b.amount ?? 0) * b.thing.gPer - (a.amount ?? 0) * a.thing.gPer)[0]!
    const own = heaviest.thing.substance.waste
    return (
      own === into || (own === undefined && vessel.phases.some(({ kind }) => kind === 'watery') && aqueousStreams.includes(into))
    )
  })
}

/** Into the containers that the step names, and out of the vessels: what stood there is gone. Any step may do it. */
export function putAway(bench: Bench, step: Step): Bench {
  return (step.waste ?? []).reduce<Bench>((now, placed) => {
    const vessels = goesIn(now, placed)
    if (vessels.length === 0) return now
    const emptied = vessels.reduce((each, vessel) => withVessel(each, { ...vessel, phases: [] }), now)
    return {
      ...emptied,
      waste: { ...now.waste, [placed.into]: together(now.waste[placed.into] ?? [], ...vessels.map(holdingsIn)) },
    }
  }, bench)
}

/** What goes into the waste is said by the step itself, whatever its operation is. */
export const disposeEffect: MatterEffect = (bench, doing) => {
  doing.during(bench)
  return bench
}
