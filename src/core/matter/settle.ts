import { comesOut } from './comesOut'
import { dissolvesIn, heldMmol } from './dissolves'
import { layersOf } from './layers'
import { dissolvedIn, inWaterAt, pHOf } from './pH'
import { isLiquid, millilitresOf, volumeOf } from './phase'
import { partitionOf } from './partitionOf'
import { together, type Holding, type Phase, type Vessel } from './state'
import { isWater, type Thing } from './thing'
import { isGas, staysByPH } from './gas'
import { gasLeaves, ionised, neutral, saltsComeOut } from './watery'
import { dissolvesInWater } from './mixing'
import type { Settling } from './settling'
import type { World } from './world'
import { recombined } from './recombine'

/** What came of settling: the vessel, and what left it as gas. */
export interface Settled {
  vessel: Vessel
  gas: Holding[]
}

const liquidPhases = ({ phases }: Vessel) => phases.filter(({ kind }) => kind !== 'solid')
const solidsOf = ({ phases }: Vessel) => phases.filter(({ kind }) => kind === 'solid').flatMap(({ holds }) => holds)

/** Things that water takes up from a solid: salts and bases as ions. */
const goesIntoWater = (world: World) => (holding: Holding) => holding.certain && world.things.inWater(holding.thing) !== null

/**
 * Brings what is in a vessel to rest: which liquids lie on each other, what of each thing is in which, which salts and solids come out or go in, and what leaves as a gas. What nobody can tell stays where it was, and is said.
 */
export function settle(vessel: Vessel, world: World, how: Settling = {}): Settled {
  const solids = solidsOf(vessel)
  const pool = together(...liquidPhases(vessel).map(({ holds }) => holds))
  const hasWater = pool.some(({ thing }) => isWater(thing))
  // What is a gas at the bench leaves, but for what water takes up as ions or holds by its pH.
  const leavesAtOnce = ({ thing }: Holding) => isGas(thing) && !(hasWater && (staysByPH(thing) || world.things.inWater(thing)))
  const gone = pool.filter(leavesAtOnce)
  for (const { thing, amount } of gone) world.note({ kind: 'gas', thing, mmol: amount, vessel: vessel.name })
  const liquid = gone.length === 0 ? pool : pool.filter((each) => !leavesAtOnce(each))
  if (!liquid.some(({ thing }) => isLiquid(thing)))
    return { vessel: { ...vessel, phases: phasesOf([], [], together(solids, recombined(liquid, world.things))) }, gas: gone }
  const dissolving = hasWater ? solids.filter(goesIntoWater(world)) : []
  const crystalWater = dissolving.length > 0 ? solids.filter(({ thing }) => isWater(thing)) : []
  const quiet = new Set(dissolving.map(({ thing }) => thing.id))
  const resting = solids.filter((each) => !dissolving.includes(each) && !crystalWater.includes(each))
  const molten = resting.filter(({ thing }) => goesMolten(thing, vessel.atC, how) || joins(thing, liquid, vessel.atC, how))
  const loose = together(liquid, dissolving, crystalWater, molten)
  const { groups, untold, bridge } = layersOf(loose)
  if (bridge)
    world.note({
      kind: 'cannot be told',
      what: `whether there are two layers beside so much ${bridge.name}`,
      mends: `more water, or less ${bridge.name}`,
      vessel: vessel.name,
    })
  for (const thing of untold)
    world.note({
      kind: 'cannot be told',
      what: `whether ${thing.name} mixes with water`,
      mends: `the solubility of ${thing.name} in water`,
      vessel: vessel.name,
    })
  const wateryGroup = groups.find(({ watery }) => watery)
  const apart = wateryGroup ? neutral(ionised(loose, world.things.inWater)) : recombined(loose, world.things)
  // Without water a salt is a solid.
  const isSalt = ({ thing }: Holding) => !wateryGroup && thing.charge === 0 && thing.solid && world.things.inWater(thing) !== null
  const all = apart.filter((each) => !isSalt(each))
  const parted = wateryGroup ? shareOut(all, wateryGroup.liquids, groups, world, vessel, how) : organicOnly(all, groups)
  let liquids = { watery: parted.watery, organic: parted.organic }
  let rest = together(
    resting.filter((each) => !molten.includes(each)),
    apart.filter(isSalt),
  )
  let gas = gone
  // What dissolves may drive out more gas, and what left lets more dissolve; it comes to rest within a few turns.
  for (let turn = 0; turn < mostTurns; turn++) {
    let { watery } = liquids
    let left: Holding[] = []
    if (watery.length > 0) {
      const open = gasLeaves(watery, world, vessel.name)
      const out = saltsComeOut(open.holds, vessel.atC, world, vessel.name, quiet)
      left = open.gas
      watery = out.holds
      if (out.solids.length > 0) rest = together(rest, out.solids)
    }
    if (left.length > 0) gas = together(gas, left)
    if (turn > 0 && left.length === 0) {
      liquids = { ...liquids, watery }
      break
    }
    const next = comesOut(watery, liquids.organic, rest, vessel, world, how)
    liquids = next.phases
    rest = next.rest
    if (left.length === 0) break
  }
  return { vessel: { ...vessel, phases: phasesOf(liquids.watery, liquids.organic, rest) }, gas }
}

const mostTurns = 4

/** A solid above its melting point, in a vessel without anything that might dissolve it, or with, is a liquid among others. */
const goesMolten = ({ substance: { melting }, atoms, charge }: Thing, atC: number, { dissolves }: Settling) =>
  dissolves === true && atoms !== null && charge === 0 && melting !== undefined && atC >= melting.highC

/** A solid that an organic layer takes up, as far as anybody can say, when it is shaken or stirred with it: its layers share it out. */
function joins(thing: Thing, liquid: readonly Holding[], atC: number, { dissolves }: Settling): boolean {
  if (!dissolves || !thing.atoms?.C || thing.charge !== 0) return false
  const { groups } = layersOf(liquid)
  const organic = groups.find(({ watery }) => !watery)
  if (!organic || groups.length < 2) return false
  const holds = liquid.filter((each) => organic.liquids.includes(each.thing))
  return holds.length > 0 && dissolvesIn(thing, { kind: 'organic', holds }, atC) === 'cannot be told'
}

const phasesOf = (watery: readonly Holding[], organic: readonly (readonly Holding[])[], solids: readonly Holding[]): Phase[] => [
  ...organic.filter((holds) => holds.length > 0).map((holds): Phase => ({ kind: 'organic', holds })),
  ...(watery.length > 0 ? [{ kind: 'watery' as const, holds: watery }] : []),
  ...(solids.length > 0 ? [{ kind: 'solid' as const, holds: solids }] : []),
]

interface Parted {
  watery: readonly Holding[]
  organic: readonly (readonly Holding[])[]
}

/** Without water: each liquid in its own group, and all else in the greatest. */
function organicOnly(all: readonly Holding[], groups: ReturnType<typeof layersOf>['groups']): Parted {
  const sorted = [...groups].sort((a, b) => b.mL - a.mL)
  const organic = sorted.map(({ liquids }) => all.filter(({ thing }) => liquids.includes(thing)))
  const rest = all.filter(({ thing }) => !groups.some(({ liquids }) => liquids.includes(thing)))
  return {
    watery: [],
    organic: organic.length === 0 ? [rest] : organic.map((holds, at) => (at === 0 ? together(holds, rest) : holds)),
  }
}

/** A liquid that is so much of its layer makes it, and is not dissolved in it: by volume. */
const makesLayer = 0.3

/** The liquids that make the layers beside the water; what is less of them is dissolved and is shared out as a solid would be. */
function solventsOf(all: readonly Holding[], groups: ReturnType<typeof layersOf>['groups']): Set<Thing> {
  const mLOf = (thing: Thing) =>
    all.reduce((sum, each) => (each.thing === thing ? sum + (millilitresOf(each, 'organic') ?? 0) : sum), 0)
  return new Set(
    groups
      .filter(({ watery }) => !watery)
      .flatMap(({ liquids, mL }) => liquids.filter((thing, at) => at === 0 || mL <= 0 || mLOf(thing) >= makesLayer * mL)),
  )
}

/** With water: the liquids of the other layers but for what water dissolves of them, and everything else by its K at the pH that the charges come to. */
function shareOut(
  all: readonly Holding[],
  waterLiquids: readonly Thing[],
  groups: ReturnType<typeof layersOf>['groups'],
  world: World,
  vessel: Vessel,
  { salting = 1 }: Settling,
): Parted {
  const [organic] = groups.filter(({ watery }) => !watery).sort((a, b) => b.mL - a.mL)
  if (!organic) return { watery: all, organic: [] }
  const solvents = solventsOf(all, groups)
  const main = organic.liquids[0]!
  const inOrganic = all.filter(({ thing }) => solvents.has(thing))
  const others = all.filter(({ thing }) => !solvents.has(thing))
  const waterML = volumeOf({
    kind: 'watery',
    holds: others.filter(({ thing }) => waterLiquids.includes(thing) || thing.charge !== 0),
  }).mL
  const volumes = { waterML, organicML: organic.mL }
  const unknownVolume = groups.some(({ unknown }) => unknown)
  const kOf = (thing: Thing): number | null => {
    // What nobody has a formula of goes with what it came with, which is organic as a rule.
    if (isWater(thing)) return 0
    if (thing.atoms === null) return Infinity
    const own = world.written.get(thing.substance.id)
    if (own !== undefined && thing.charge === 0) return salting * own
    const found = partitionOf(thing, main)
    return found && salting * world.draw(`K ${thing.id} ${main.id}`, found.K)
  }
  const dissolved = dissolvedIn(others, (thing) => kOf(thing) ?? 0)
  const pH = dissolved ? pHOf(dissolved, volumes) : null
  const watery: Holding[] = []
  const over: Holding[] = []
  for (const holding of others) {
    const { thing, amount } = holding
    const K = kOf(thing)
    if (K === 0) watery.push(holding)
    else if (K === Infinity) over.push(holding)
    else if (K === null || amount === null || unknownVolume || (pH === null && (thing.acid.length > 0 || thing.base !== null))) {
      world.note({
        kind: 'cannot be told',
        what: `how ${thing.name} divides between ${main.name} and water`,
        of: thing,
        mends: K === null ? `the partition coefficient of ${thing.name}` : 'the amounts that are there',
        vessel: vessel.name,
      })
      watery.push({ ...holding, amount: null })
      over.push({ ...holding, amount: null })
    } else {
      const stays = inWaterAt({ thing, mmol: amount, K }, pH ?? 7, volumes)
      watery.push({ ...holding, amount: stays })
      over.push({ ...holding, amount: amount - stays })
    }
  }
  // What the water dissolves of the solvent itself.
  const organics = inOrganic.map((holding): [Holding, Holding] => {
    const limit = dissolvesInWater(holding.thing)
    const goes =
      limit === null || holding.amount === null ? 0 : Math.min(holding.amount / 2, heldMmol(holding.thing, limit, waterML))
    return [{ ...holding, amount: goes }, holding.amount === null ? holding : { ...holding, amount: holding.amount - goes }]
  })
  return {
    watery: neutral(
      together(
        watery,
        organics.map(([goes]) => goes),
      ),
    ),
    organic: groups
      .filter((group) => !group.watery)
      .sort((a, b) => b.mL - a.mL)
      .map(({ liquids }, at) => {
        const own = organics.map(([, stays]) => stays).filter(({ thing }) => liquids.includes(thing))
        return at === 0 ? together(own, over) : own
      }),
  }
}
