import type { Lab } from '../../lab/lab'
import { volumeOf } from '../../matter/phase'
import { holdingsIn, isEmpty, massOf, type Bench, type Holding, type Vessel } from '../../matter/state'
import { linesOf } from './linesOf'
import { mainSubstance, type Line, type Plan, substanceOf } from '../../plan/plan'
import type { ReactionTable } from '../../reaction/reactionTable'
import { aqueousStreams, type WasteStream } from '../../substance/lists'
import type { Substance } from '../../substance/substance'
import { walkOf } from './standsIn'

/** What goes into one waste container: a vessel as it stood when its step put it away. */
export interface PutAway {
  into: WasteStream
  step: string
  vessel: Vessel
}

/** Containers into which something may go that no step names; into the others nothing comes by chance. */
const ordinary: readonly WasteStream[] = ['aqueous, harmless', 'aqueous acid or base', 'other organic', 'halogenated organic']

/** What a plan puts into its containers, in its order, and what it leaves standing: what no step names goes into the one ordinary container for liquids that the plan has, else what is watery into the one for water; what goes nowhere is left. */
export function wasteIn(plan: Plan, table: ReactionTable, lab: Lab): { put: PutAway[]; left: Vessel[] } {
  const { steps } = walkOf(plan, table, lab)
  const put = steps.flatMap(({ step, events }) =>
    events.flatMap((event): PutAway[] =>
      event.kind === 'put away' ? [{ into: event.into as WasteStream, step: step.id, vessel: event.stood }] : [],
    ),
  )
  const last = steps.at(-1)?.after
  const standing = last ? last.vessels.filter((vessel) => !isKept(plan, last, vessel)) : []
  const streams = [...new Set(plan.steps.flatMap(({ waste }) => waste ?? []).map(({ into }) => into))]
  const liquids = streams.filter((stream) => ordinary.includes(stream))
  const aqueous = liquids.filter((stream) => aqueousStreams.includes(stream))
  const rest = liquids.length === 1 ? liquids[0] : aqueous.length === 1 ? aqueous[0] : undefined
  const takes = (vessel: Vessel) =>
    rest !== undefined && vessel.phases.some(({ kind }) => kind === 'watery' || (kind === 'organic' && liquids.length === 1))
  const step = plan.steps.findLast(({ waste }) => waste?.some(({ into }) => into === rest))?.id
  return {
    put: [...put, ...(step === undefined ? [] : standing.filter(takes).map((vessel) => ({ into: rest!, step, vessel })))],
    left: standing.filter((vessel) => !takes(vessel)),
  }
}

/** What is kept at the end: samples, what the work stands in, and what holds the product. */
function isKept(plan: Plan, bench: Bench, vessel: Vessel): boolean {
  const product = plan.mainProduct === undefined ? undefined : mainSubstance(plan)
  return (
    isEmpty(vessel) ||
    Object.values(bench.samples).includes(vessel.name) ||
    (vessel.name === bench.at && (product === undefined || holdingsIn(vessel).some(({ thing }) => thing.substance === product)))
  )
}

/** Millilitres of liquid and grams of solid in vessels; `least` where the amount of something is unknown: then there is more. */
export function amountsIn(vessels: readonly Vessel[]): { liquidML: number; solidG: number; least: boolean } {
  const sum = { liquidML: 0, solidG: 0, least: false }
  for (const phase of vessels.flatMap((vessel) => vessel.phases)) {
    sum.least ||= phase.holds.some(({ amount }) => amount === null)
    if (phase.kind === 'solid') sum.solidG += massOf(phase.holds.filter(({ amount }) => amount !== null)) ?? 0
    else sum.liquidML += volumeOf(phase).mL
  }
  return sum
}

/** Less of a vessel by mass than this is not named: the lowest limit from which a mixture is labelled for what it holds (CLP, table 1.1; not compared with it). */
const namedShare = 0.001

/** A substance that stands in vessels. */
export interface InWaste {
  substance: Substance
  /** The line that it comes from, where there is one. */
  line: Line | undefined
  /** Its part of what it stands in by mass, where that holds most of it; null where an amount is unknown. */
  share: number | null
  /** What it stands in is water for the most part. */
  inWater: boolean
}

/** The substances of a plan that stand in vessels; traces are left out. All ions of a salt count for it together. */
export function substancesIn(plan: Plan, vessels: readonly Vessel[]): InWaste[] {
  const found = new Map<string, InWaste>()
  for (const vessel of vessels) {
    const inWater = vessel.phases.some(({ kind }) => kind === 'watery')
    for (const each of inVessel(plan, vessel, inWater)) {
      const before = found.get(each.substance.id)
      if (!before || (before.share !== null && (each.share === null || each.share > before.share)))
        found.set(each.substance.id, each)
    }
  }
  return [...found.values()]
}

function inVessel(plan: Plan, vessel: Vessel, inWater: boolean): InWaste[] {
  const all = holdingsIn(vessel)
  const grams = all.reduce((sum, { thing, amount }) => sum + Math.max(0, (amount ?? 0) * thing.gPer), 0)
  const own = new Map<string, InWaste>()
  for (const holding of all)
    for (const each of ofHolding(plan, holding)) {
      const before = own.get(each.substance.id)?.share
      const more = holding.amount === null || grams <= 0 ? null : (holding.amount * holding.thing.gPer) / grams
      own.set(each.substance.id, { ...each, inWater, share: before === null || more === null ? null : (before ?? 0) + more })
    }
  return [...own.values()].filter(({ share }) => share === null || share > namedShare)
}

/** What a holding is called in its plan: the substance itself where the plan has it, else the lines that its ions come from. */
function ofHolding(plan: Plan, { thing, from }: Holding): { substance: Substance; line: Line | undefined }[] {
  const lines = linesOf(plan, from)
  if (plan.substances.includes(thing.substance)) {
    const line =
      lines.find((each) => each.substance === thing.substance.id) ??
      plan.lines.find((each) => each.substance === thing.substance.id)
    return [{ substance: thing.substance, line }]
  }
  if (thing.charge === 0) return [{ substance: thing.substance, line: undefined }]
  return lines.map((line) => ({ substance: substanceOf(plan, line), line }))
}
