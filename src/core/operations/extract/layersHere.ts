import { isMetal } from '../../substance/atoms'
import { isGas } from '../../matter/gas'
import { partitionOf, type PartitionKnown } from '../../matter/partitionOf'
import { mainLiquid, pHOfPhase, volumeOf } from '../../matter/phase'
import { exactly } from '../../matter/span'
import { holdingsIn, vesselNamed, type Bench, type Holding, type Phase, type Vessel } from '../../matter/state'
import { isWater, type Thing } from '../../matter/thing'
import { writtenK } from '../../matter/writtenK'
import { isProduct, mainSubstance } from '../../plan/plan'
import { typedFor } from '../../plan/typedFor'
import type { Context } from '../planner'
import { operationIn } from '../registry'
import { stoodAt } from '../vessel/stoodAt'
import { shakenWith } from './shakenWith'

/** A layer as it stands in a vessel of its own. */
export interface LayerHere {
  name: string
  kind: 'organic' | 'watery'
  mL: number
  /** Of a watery one; null where nobody can say. */
  pH: number | null
  holds: readonly Holding[]
}

/** What a step that shakes does to the layers: as the walk has it. */
export interface LayersHere {
  /** The layer that is shaken, before and after. */
  shaken: LayerHere
  left: LayerHere
  /** All that stand in named flasks after it. */
  layers: readonly LayerHere[]
  /** The funnel with both, at the first portion. */
  both: Vessel
  organic: Phase
  watery: Phase
  /** The liquid that the organic layer is for the most part. */
  solvent: Thing
  /** What divides between the layers and is of this plan, the product first and then what there is most of. The liquid that makes the organic layer does not: what the water dissolves of it is not followed. */
  followed: readonly Thing[]
}

const liquidsOf = ({ phases }: Vessel) => phases.filter(({ kind }) => kind !== 'solid')
const mLOf = (phases: readonly Phase[]) => phases.reduce((sum, phase) => sum + volumeOf(phase).mL, 0)

/** What stands in a vessel as one layer: of the kind that most of its liquid is, by the name that it was given or by its liquid. */
export function layerOf(vessel: Vessel): LayerHere {
  const liquids = liquidsOf(vessel)
  const [main] = [...liquids].sort((a, b) => volumeOf(b).mL - volumeOf(a).mL)
  return {
    name: isLayer(vessel) ? vessel.name : ((main && mainLiquid(main)?.name) ?? vessel.name),
    kind: main?.kind === 'watery' ? 'watery' : 'organic',
    mL: mLOf(liquids),
    pH: main ? pHOfPhase(main) : null,
    holds: holdingsIn(vessel),
  }
}

/** Amount of a thing in holdings, mmol; null where nobody can say. */
export function amountOf(holds: readonly Holding[], thing: Thing): number | null {
  let sum = 0
  for (const each of holds) {
    if (each.thing !== thing || !each.certain) continue
    if (each.amount === null) return null
    sum += each.amount
  }
  return sum
}

/** The layers around a step that shakes; null where it shakes nothing, or what it shakes does not part. */
export function layersHere(context: Context): LayersHere | null {
  const { plan, table, step } = context
  if (!operationIn(step)?.shakes) return null
  const stood = stoodAt(context)
  if (!stood || stood.events.some(({ kind }) => kind === 'no layers')) return null
  const both = vesselNamed(stood.during, stood.during.at)
  if (!both) return null
  const organic = liquidsOf(both).find(({ kind }) => kind === 'organic')
  const watery = liquidsOf(both).find(({ kind }) => kind === 'watery')
  const solvent = organic && mainLiquid(organic)
  if (!organic || !watery || !solvent) return null
  const named = typedFor(step).layer
  const before = (typeof named === 'string' && vesselNamed(stood.before, named)) || vesselNamed(stood.before, stood.before.at)
  const goes = shakenWith(table, step)
  const left = goes && !goes.watery ? drawnFrom(stood.before, stood.after) : vesselNamed(stood.after, both.name)
  if (!before || !left) return null
  const layers = stood.after.vessels
    .filter((vessel) => liquidsOf(vessel).length > 0 && (vessel.name === stood.after.at || isLayer(vessel)))
    .map(layerOf)
  const product = plan.mainProduct === undefined ? undefined : mainSubstance(plan)
  const followed = [...new Set(liquidsOf(both).flatMap(({ holds }) => holds.map(({ thing }) => thing)))]
    .filter((thing) => thing !== solvent && isFollowed(context, thing))
    .sort((a, b) => rank(b) - rank(a))
    .slice(0, 6)
  function rank(thing: Thing): number {
    return thing.substance === product ? Infinity : (amountOf(holdingsIn(both!), thing) ?? Number.MAX_VALUE)
  }
  return { shaken: layerOf(before), left: layerOf(left), layers, both, organic, watery, solvent, followed }
}

const isLayer = ({ kept }: Vessel) => kept === 'aqueous layer' || kept === 'organic layer'

/** The water that a solvent was drawn off: it stands under a name of its own since then. */
const drawnFrom = (before: Bench, after: Bench): Vessel | undefined =>
  after.vessels.find((vessel) => vessel.kept === 'aqueous layer' && !vesselNamed(before, vessel.name)) ??
  after.vessels.findLast((vessel) => vessel.kept === 'aqueous layer')

/** Of the plan, not there as the liquid that a layer is made of, and no gas; what is less than a billionth is not there. */
export function isFollowed({ plan }: Context, thing: Thing): boolean {
  if (isWater(thing) || thing.charge !== 0 || thing.atoms === null || isGas(thing) || isMetal(thing.substance.formula ?? ''))
    return false
  if (!plan.substances.includes(thing.substance)) return false
  const lines = plan.lines.filter(({ substance }) => substance === thing.substance.id)
  return lines.some((line) => isProduct(line) || !madeOf.has(line.role))
}

/** What a layer is made of, or what it is dried with. */
export const madeOf: ReadonlySet<string> = new Set(['solvent', 'work-up'])

/** K of a thing into an organic layer: as it was written in this step or before it, else as it is on record. */
export function kHere(
  { plan, step }: Context,
  thing: Thing,
  solvent: Thing,
): PartitionKnown | { K: PartitionKnown['K']; by: 'written' } | null {
  const written = writtenK(plan)[plan.steps.findIndex(({ id }) => id === step.id)]?.get(thing.substance.id)
  return written === undefined ? partitionOf(thing, solvent) : { K: exactly(written), by: 'written' }
}
