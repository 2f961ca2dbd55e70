import { defaultLab } from '../../lab/lab'
import { mainLiquid, volumeOf } from '../../matter/phase'
import type { Kept, Vessel } from '../../matter/state'
import type { Thing } from '../../matter/thing'
import type { Walk } from '../../matter/walk'
import { secondCrop } from '../../operations/crystallise/crop'
import { asReadings } from '../../operations/vessel/stoodAt'
import { walkOf } from '../../operations/vessel/standsIn'
import type { Plan, Step } from '../../plan/plan'
import { writeNumber } from '../../quantity/write'
import type { ReactionTable } from '../../reaction/reactionTable'
import type { RunState } from '../../run/foldRun'
import { measuredOf } from '../../run/measured'
import type { Substance } from '../../substance/substance'
import { printed } from '../../words/words'
import type { Loss, LossKind } from './loss'

/** What a vessel that was set aside is called in an account of losses. */
const kindOf: Readonly<Record<Kept, LossKind>> = {
  filtrate: 'mother liquor',
  'mother liquor': 'mother liquor',
  'aqueous layer': 'other layers',
  'organic layer': 'other layers',
  washings: 'other layers',
  distillate: 'hold-up',
  residue: 'hold-up',
  rest: 'hold-up',
  solid: 'hold-up',
}

/** A second crop is looked for when the liquor is boiled down to so much of it. */
const boiledDownTo = 0.25
/** Less of the whole than this is not named. */
const leastShare = 0.001

/** A vessel that was set aside before a sample was weighed, with what it was when it stood. */
interface Aside {
  vessel: Vessel
  kept: Kept
  /** The step that set it aside, and the last after which it stands. */
  from: number
  at: number
}

/** Every vessel that was set aside up to a step, as it stood last: later the waste has it. */
function asides({ steps }: Walk, until: number): Aside[] {
  const found = new Map<string, Aside>()
  steps.slice(0, until + 1).forEach(({ after, events }, at) => {
    const put = events.flatMap((event) => (event.kind === 'put away' ? [event.stood] : []))
    for (const vessel of [...after.vessels, ...put])
      if (vessel.kept !== undefined && vessel.phases.some(({ holds }) => holds.length > 0))
        found.set(vessel.name, { vessel, kept: vessel.kept, from: found.get(vessel.name)?.from ?? at, at })
  })
  return [...found.values()]
}

const amountIn = ({ phases }: Vessel, thing: Thing): number | null =>
  phases
    .flatMap(({ holds }) => holds)
    .filter((each) => each.thing === thing && each.certain)
    .reduce<number | null>((sum, { amount }) => (sum === null || amount === null ? null : sum + amount), 0)

/** Where a vessel that was set aside holds some of it: how much in each realisation. */
function spanIn(walked: Walk, { vessel, at }: Aside, thing: Thing): { low: number; high: number } | null {
  const all = walked.others().map((steps) => {
    const { after, events } = steps[at]!
    const stood =
      after.vessels.find(({ name }) => name === vessel.name) ??
      events.flatMap((event) => (event.kind === 'put away' && event.stood.name === vessel.name ? [event.stood] : []))[0]
    return stood ? amountIn(stood, thing) : 0
  })
  return all.includes(null) ? null : { low: Math.min(...(all as number[])), high: Math.max(...(all as number[])) }
}

/** How it was worked out, from the liquid that holds it. */
function howOf({ vessel }: Aside, g: number): { mL: number; how: string } {
  const liquid = vessel.phases.filter(({ kind }) => kind !== 'solid').sort((a, b) => volumeOf(b).mL - volumeOf(a).mL)[0]
  const mL = liquid ? volumeOf(liquid).mL : 0
  const name = liquid && mainLiquid(liquid)?.name
  return {
    mL,
    how:
      mL > 0 && name
        ? `${writeNumber(mL, mL < 10 ? 1 : 0)} mL × ${writeNumber((100 * g) / mL, 2)} g/100 mL of ${name}, as it stood at ${writeNumber(vessel.atC, 0)} °C`
        : `${writeNumber(g, 2)} g that stay there`,
  }
}

/** Losses that a run's last state shows, and what it cannot tell. */
export interface StateLosses {
  losses: Loss[]
  again: string[]
  unknown: string[]
}

/**
 * What the vessels hold of a substance that were set aside before a sample of it was weighed, by the walk through what the run charged and measured: expected, whatever the sample weighs. A liquor of which nobody wrote how much solvent was used is said to be unknown,
 * and so is what rests on a solubility or a partition that is on no record.
 */
export function lossesOfState(
  { plan, run, table }: { plan: Plan; run: RunState; table: ReactionTable },
  { substance, sample, until }: { substance: Substance; sample: string; until: number },
): StateLosses {
  const measured = measuredOf(run)
  const { [sample]: _own, ...others } = measured.samples
  const walked = walkOf(plan, table, defaultLab, asReadings({ ...measured, samples: others }))
  const steps = walked.steps.slice(0, until + 1)
  const thing = steps
    .flatMap(({ after }) => after.brought.concat(after.vessels.flatMap(({ phases }) => phases.flatMap(({ holds }) => holds))))
    .find((each) => each.thing.substance === substance)?.thing
  if (!thing) return { losses: [], again: [], unknown: [] }
  const samples = new Set(steps.flatMap(({ after }) => Object.values(after.samples)))
  const untold = steps.flatMap(({ events }, at) =>
    events.flatMap((event) => (event.kind === 'cannot be told' && event.of === thing ? [{ at, event }] : [])),
  )
  const unmeasured = steps.flatMap(({ step }, at) =>
    step.kind === 'crystallise' && measured.usedML[step.id] === undefined ? [{ at, step }] : [],
  )
  const unknown: string[] = untold.map(({ at, event }) => `${titleOf(steps[at]!.step)}: ${event.what}; ${event.mends} would tell`)
  const whole = amountsMade(walked, until, thing)
  const losses: Loss[] = []
  const again: string[] = []
  for (const aside of asides(walked, until)) {
    const { vessel, kept, from, at } = aside
    if (samples.has(vessel.name) || untold.some((each) => each.at <= from)) continue
    const amount = amountIn(vessel, thing)
    const span = amount === null ? null : spanIn(walked, aside, thing)
    if (amount === null || span === null) {
      unknown.push(`${titleOf(steps[from]!.step)}: how much of ${substance.name} is in the ${kept}`)
      continue
    }
    const g = amount * thing.gPer
    if (g < leastShare * whole * thing.gPer) continue
    const liquor = unmeasured.find((each) => each.at <= from)
    if (liquor && kindOf[kept] === 'mother liquor') {
      unknown.push(
        `${titleOf(liquor.step)}: how much of ${substance.name} its liquor holds; nobody wrote how much solvent was used`,
      )
      continue
    }
    const { mL, how } = howOf(aside, g)
    losses.push({
      key: `${kindOf[kept]} ${steps[from]!.step.id} ${at}`,
      kind: kindOf[kept],
      words: kept === 'filtrate' ? kept : kindOf[kept],
      step: steps[from]!.step.id,
      g,
      lowG: Math.min(g, span.low * thing.gPer),
      highG: Math.max(g, span.high * thing.gPer),
      by: 'rule',
      how: `${titleOf(steps[from]!.step)}, ${kept}: ${how}`,
    })
    if (kept === 'mother liquor' && mL > 0) {
      const toML = mL * boiledDownTo
      const more = secondCrop(g, toML, (100 * g) / mL)
      if (more > 0)
        again.push(
          `boiled down to ${writeNumber(toML, 0)} mL and cooled again, a second crop of about ${writeNumber(more, 2)} g, to be melted apart`,
        )
    }
  }
  return { losses, again, unknown: [...new Set(unknown)] }
}

const titleOf = (step: Step) => printed(step.title)

/** The most of a thing that stands on the bench at once up to a step, mmol: the whole that a loss is a part of. */
const amountsMade = ({ steps }: Walk, until: number, thing: Thing): number =>
  Math.max(
    0,
    ...steps
      .slice(0, until + 1)
      .map(({ after }) => after.vessels.reduce((sum, vessel) => sum + (amountIn(vessel, thing) ?? 0), 0)),
  )
