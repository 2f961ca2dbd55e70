import type { Charged } from './charged'
import { volumeOf } from './phase'
import { partOf, vesselAt, withVessel, type Bench, type Phase, type Vessel } from './state'
import { atRest, freshName, goesIn } from './verbs'
import type { World } from './world'

/** Water that stays with an organic layer that is drawn from it, as a part of that layer's volume: what it dissolves and the drops at the wall (ether holds 1.3 % of water, ethyl acetate 3 %; judgement for the drops). */
const stayBehind = { low: 0.002, likely: 0.01, high: 0.03 } as const

/** How two layers are shaken and parted. */
export interface Shaking {
  portions: number
  /** The vessel that the layer which is drawn off goes into. */
  into: string
  /** What is shaken with is watery, so that the watery layer is drawn off and the work goes on with the organic one. */
  watery: boolean
  salting: number
  /** Where the other layer is left, once all portions of an organic solvent were drawn off. */
  other: string
}

/** Draws a layer off a vessel into another, with what of the water stays with an organic layer. Null where there are no two layers. */
function drawnOff(bench: Bench, name: string, { into, watery }: Pick<Shaking, 'into' | 'watery'>, world: World): Bench | null {
  const vessel = bench.vessels.find((each) => each.name === name)!
  const liquids = vessel.phases.filter(({ kind }) => kind !== 'solid')
  if (!liquids.some(({ kind }) => kind === 'watery') || !liquids.some(({ kind }) => kind === 'organic')) return null
  const water = liquids.filter(({ kind }) => kind === 'watery')
  const organic = liquids.filter(({ kind }) => kind === 'organic')
  const solids = vessel.phases.filter(({ kind }) => kind === 'solid')
  const organicML = organic.reduce((sum, phase) => sum + volumeOf(phase).mL, 0)
  const waterML = water.reduce((sum, phase) => sum + volumeOf(phase).mL, 0)
  const part = waterML > 0 ? Math.min(1, (world.draw('water that stays with the layer', stayBehind) * organicML) / waterML) : 0
  const stays = water.map(({ kind, holds }): Phase => ({ kind, holds: partOf(holds, part) }))
  const away = water.map(({ kind, holds }): Phase => ({ kind, holds: partOf(holds, 1 - part) }))
  const withOrganic = [...organic, ...stays]
  // What lies between the layers goes with the water.
  const withWater = [...away, ...solids]
  const [gone, left] = watery ? [withWater, withOrganic] : [withOrganic, withWater]
  const there = bench.vessels.find((each) => each.name === into)
  const kept = watery ? 'aqueous layer' : 'organic layer'
  const filled: Vessel = there
    ? { ...there, phases: [...there.phases, ...gone] }
    : { name: into, kept, phases: gone, atC: vessel.atC }
  return withVessel(withVessel(bench, { ...vessel, phases: left.filter(({ holds }) => holds.length > 0) }), filled)
}

/** A part of what is charged. */
const portion = ({ liquid, solid }: Charged, part: number): Charged => ({
  liquid: partOf(liquid, part),
  solid: partOf(solid, part),
})

/**
 * Shakes what is in the vessel that the work goes on in with portions of a liquid and parts the layers, or parts them as they are where nothing goes in. The layer of the liquid that was shaken with goes into `into`; the work goes on with the organic layer.
 */
export function shaken(
  bench: Bench,
  brings: Charged,
  how: Shaking,
  world: World,
  during: (bench: Bench) => void,
  reacts: (bench: Bench) => Bench,
): Bench {
  let now = bench
  const funnel = bench.at
  const into = now.vessels.some(({ name }) => name === how.into) ? how.into : freshName(now, how.into)
  let drew = false
  for (let turn = 0; turn < how.portions; turn++) {
    const filled = goesIn(now, portion(brings, 1 / how.portions), world, { salting: how.salting, dissolves: true })
    const reacted = reacts(filled)
    const rested = atRest(reacted, funnel, world, { salting: how.salting, dissolves: true })
    if (turn === 0) during(rested)
    const parted = drawnOff(rested, funnel, { into, watery: how.watery }, world)
    now = parted ?? rested
    drew ||= parted !== null
  }
  if (!drew) {
    world.note({ kind: 'no layers', vessel: funnel })
    return now
  }
  const settled = atRest(now, into, world)
  if (how.watery) return settled
  // The organic layer goes on; the water keeps the funnel's contents under a name of its own.
  const left = vesselAt(settled)
  const other = freshName(settled, how.other)
  const renamed = {
    ...settled,
    vessels: settled.vessels.map((each) => (each === left ? { ...left, name: other, kept: 'aqueous layer' as const } : each)),
  }
  return { ...renamed, at: into }
}
