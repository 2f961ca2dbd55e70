import { aqueousStreams, type WasteStream } from '../../substance/lists'
import { holdingsIn, isEmpty, together, withVessel, type Bench, type Vessel } from '../../matter/state'
import { substanceOf, type Plan, type Step } from '../../plan/plan'
import { linesOf } from '../vessel/linesOf'
import type { MatterEffect } from '../../matter/walk'
import type { World } from '../../matter/world'

type Placed = NonNullable<Step['waste']>[number]

const samplesAt = ({ samples }: Bench) => new Set(Object.values(samples))

/** The more special first: one drop of what has a container of its own makes all of it waste of that kind. */
const bySpecialty: readonly WasteStream[] = [
  'quenched first, by itself',
  'cyanide, alkaline, by itself',
  'fluoride, by itself',
  'explosive when dry, kept wet',
  'peroxide former, by itself',
  'heavy metal',
  'oxidiser',
  'halogenated organic',
  'aqueous acid or base',
  'other organic',
  'solid',
  'aqueous, harmless',
]

/** From this part of its mass on what is in a vessel says where it goes. Judgement. */
const counts = 0.01

/** The container that a vessel belongs into of those that its step names: the most special one that something in it has on record, else one for water where it is water. */
function belongsInto(plan: Plan, named: readonly WasteStream[], vessel: Vessel): WasteStream | undefined {
  const all = holdingsIn(vessel)
  const grams = all.reduce((sum, { thing, amount }) => sum + Math.abs((amount ?? 0) * thing.gPer), 0)
  const own = new Set(
    all
      .filter(({ thing, amount }) => amount === null || amount * thing.gPer >= counts * grams)
      .flatMap(({ thing, from }) => {
        const known = thing.substance.waste
        if (known !== undefined) return [known]
        if (thing.charge === 0) return []
        return linesOf(plan, from).flatMap((line) => substanceOf(plan, line).waste ?? [])
      }),
  )
  const found = bySpecialty.find((stream) => own.has(stream) && named.includes(stream))
  if (found !== undefined && !(aqueousStreams.includes(found) && !isWatery(vessel))) return found
  return isWatery(vessel) ? named.find((stream) => aqueousStreams.includes(stream)) : undefined
}

const isWatery = ({ phases }: Vessel) => phases.some(({ kind }) => kind === 'watery')

/** The vessels that a step puts into a container: those of the kind that it names, else those that belong there. What was weighed as a sample stays. */
function goesIn(bench: Bench, plan: Plan, named: readonly WasteStream[], { into, what }: Placed): Vessel[] {
  const samples = samplesAt(bench)
  const open = bench.vessels.filter((vessel) => !isEmpty(vessel) && !samples.has(vessel.name))
  if (what === 'all that is left') return open
  if (what !== undefined)
    return open.filter(({ kept, phases }) => kept === what || (what === 'solid' && phases.every(({ kind }) => kind === 'solid')))
  return open.filter((vessel) => belongsInto(plan, named, vessel) === into)
}

/** Into the containers that the step names, and out of the vessels: what stood there is gone. Any step may do it. */
export function putAway(bench: Bench, plan: Plan, step: Step, note: World['note']): Bench {
  const named = (step.waste ?? []).filter(({ what }) => what === undefined).map(({ into }) => into)
  return (step.waste ?? []).reduce<Bench>((now, placed) => {
    const vessels = goesIn(now, plan, named, placed)
    if (vessels.length === 0) return now
    for (const stood of vessels) note({ kind: 'put away', into: placed.into, vessel: stood.name, stood })
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
