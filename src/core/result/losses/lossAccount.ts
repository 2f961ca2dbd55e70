import { isReactant, lineOf, mainResult, productSample, crudeSample, substanceOf, type Plan } from '../../plan/plan'
import type { Figure } from '../../quantity/figure'
import { writeNumber } from '../../quantity/write'
import { yieldCeiling } from '../../reaction/equilibrium'
import { computedLine } from '../../reaction/reactionTable'
import type { Substance } from '../../substance/substance'
import type { RunState } from '../../run/foldRun'
import { goesOnWithG, ownShare } from '../../run/pools'
import { printed } from '../../words/words'
import type { BaseResults } from '../baseResults'
import { thresholds } from '../thresholds'
import type { Loss } from './loss'
import { lossesOfState } from './lossesOfState'

/** Where everything that was charged has gone: losses in the order of the work, and what is in the vial. They add up to the whole. */
export interface LossAccount {
  /** What it is of, and what it counts from. */
  of: string
  sample: string
  wholeG: number
  whole: 'theory' | 'what was put in'
  productG: number
  dry: boolean
  losses: Loss[]
  /** What no rule explains; negative where more came back than is accounted for. */
  unexplained: Loss
  /** The largest that is named; null where none is worth naming. */
  largest: Loss | null
  /** What may still be had, in words. */
  again: string | null
  /** Losses that there are and that nobody can work out: they stand in what is not explained. */
  unknown: string[]
}

/** A constant of an equilibrium in a teaching laboratory is worth this much: a quarter less, a third more. */
const ceilingMay = [0.75, 4 / 3] as const
/** A capillary of melting range holds 2 to 3 mm of solid in a bore of 1 mm: about so much, g. */
const capillaryG = 0.003
/** A vial for an instrument takes about so much, g; half or twice as much by hand. */
const vialG = 0.02

/** The loss accounts of a run: of its product, or of each substance that it gets back; only those that were weighed. */
export function lossAccounts(run: RunState, base: BaseResults): LossAccount[] {
  const { plan } = run
  const recoveries = plan.recoveries ?? []
  if (recoveries.length > 0)
    return recoveries.flatMap(({ sample, of, product }) => {
      const put = computedLine(base.table, of).mass
      return account(run, base, { sample, whole: put, substance: substanceOf(plan, lineOf(plan, product)), from: undefined })
    })
  const main = mainResult(plan)
  if (!main) return []
  const substance = substanceOf(plan, lineOf(plan, main.product))
  return account(run, base, { sample: productSample(plan), whole: base.whole, substance, from: crudeSample(plan) })
}

interface Wanted {
  sample: string
  whole: Figure | null
  substance: Substance
  /** The sample it was made pure from, where it was weighed. */
  from: string | undefined
}

function account(run: RunState, base: BaseResults, { sample, whole, substance, from }: Wanted): LossAccount[] {
  const { plan } = run
  const weighed = run.samples[sample]
  if (!weighed || !whole || !(whole.value > 0)) return []
  const crude = from === undefined || from === sample ? undefined : run.samples[from]
  // What others put to the crude came out of no flask of this group.
  const share = crude ? ownShare(crude.mass.value, run.pools[from!]) : 1
  const [wholeG, productG] = [whole.value, weighed.mass.value * share]
  const losses: Loss[] = []
  const reaching = () => Math.max(0, wholeG - losses.reduce((sum, { g }) => sum + g, 0))
  const unreacted = unreactedOf(plan, base, wholeG)
  if (unreacted) losses.push(unreacted)
  const until = run.steps.findIndex(
    ({ step }) => 'sample' in step && step.sample === sample && (step.kind === 'dry' || step.kind === 'weigh'),
  )
  const last = until < 0 ? run.steps.length - 1 : until
  for (const { step, skipped, standing } of run.steps.slice(0, last)) {
    const samples = skipped === null ? samplesTaken(step, standing, sample, from) : null
    if (samples) losses.push(samples)
  }
  const state = lossesOfState({ plan, run, table: base.table }, { substance, sample, until: last })
  for (const loss of state.losses) {
    const g = Math.min(loss.g, reaching())
    losses.push({ ...loss, g: g * share, lowG: Math.min(g, loss.lowG) * share, highG: Math.max(g, loss.highG) * share })
  }
  const crudeAt = run.steps.findIndex(({ step }) => 'sample' in step && step.sample === from)
  const stepsAfterCrude = new Set(run.steps.slice(crudeAt + 1).map(({ step }) => step.id))
  const purifying = purifyingOf(
    crude && { g: goesOnWithG(crude.mass.value, run.pools[from!]) * share, dry: crude.dry },
    losses.filter(({ step }) => stepsAfterCrude.has(step ?? '')),
    productG,
  )
  if (purifying) losses.push(purifying)
  const named = losses.reduce((sum, { g }) => sum + g, 0)
  const left = wholeG - productG - named
  const spread = Math.hypot(
    thresholds.coverage * whole.u * wholeG,
    thresholds.coverage * weighed.mass.u * productG,
    ...losses.map(({ lowG, highG }) => (highG - lowG) / 2),
  )
  const unexplained: Loss = {
    key: 'unexplained',
    kind: 'unexplained',
    words: left < 0 ? 'more than accounted for' : 'unexplained',
    g: left,
    lowG: left - spread,
    highG: left + spread,
    by: 'left over',
    how: `${writeNumber(wholeG, 2)} g − ${writeNumber(productG, 2)} g weighed − ${writeNumber(named, 2)} g named`,
  }
  // What is only as large as a damp crude was dry counts by the middle of what it may be.
  const counted = ({ by, g, lowG, highG }: Loss) => (by === 'balance' ? (lowG + highG) / 2 : g)
  const largest = [...losses].sort((a, b) => counted(b) - counted(a))[0]
  return [
    {
      of: substance.name,
      sample,
      wholeG,
      whole: base.result?.kind === 'recovery' || plan.recoveries?.length ? 'what was put in' : 'theory',
      productG,
      dry: weighed.dry,
      losses,
      unexplained,
      largest: largest && largest.g > thresholds.worthNaming * wholeG ? largest : null,
      again: state.again.length > 0 ? state.again.join('; ') : null,
      unknown: state.unknown,
    },
  ]
}

/** What the equilibrium leaves where nothing is removed. */
function unreactedOf(plan: Plan, base: BaseResults, wholeG: number): Loss | null {
  const at = (factor: number) => {
    if (!plan.equilibrium) return null
    const changed = { ...plan, equilibrium: { ...plan.equilibrium, constant: plan.equilibrium.constant * factor } }
    return yieldCeiling(changed, base.table)
  }
  const [ceiling, low, high] = [at(1), at(ceilingMay[1]), at(ceilingMay[0])]
  if (ceiling === null || low === null || high === null) return null
  const names = plan.lines.filter(isReactant).map((line) => substanceOf(plan, line).name)
  return {
    key: 'unreacted',
    kind: 'unreacted',
    words: 'unreacted at equilibrium',
    g: (1 - ceiling) * wholeG,
    lowG: (1 - low) * wholeG,
    highG: (1 - high) * wholeG,
    by: 'rule',
    how: `the equilibrium turns over ${writeNumber(100 * ceiling, 0)} % of ${names.join(' and ')} where nothing is removed (K ${plan.equilibrium!.constant}); its constant a quarter less to a third more`,
  }
}

/** What was taken out of the sample before it was weighed: a capillary, a vial. */
function samplesTaken(
  step: RunState['steps'][number]['step'],
  standing: RunState['steps'][number]['standing'],
  sample: string,
  from: string | undefined,
): Loss | null {
  const ofIt = 'sample' in step && (step.sample === sample || step.sample === from)
  const capillaries = ofIt ? standing.filter(({ kind }) => kind === 'melting').length : 0
  const vials = standing.filter(({ kind }) => kind === 'note').length
  const g = capillaries * capillaryG + vials * vialG
  if (g === 0) return null
  return {
    key: `samples ${step.id}`,
    kind: 'samples',
    words: 'samples taken',
    step: step.id,
    g,
    lowG: g / 2,
    highG: g * 2,
    by: 'rule',
    how: `${printed(step.title)}: about ${writeNumber(1000 * g, 0)} mg (3 mg a capillary, 20 mg a vial); half or twice as much`,
  }
}

/** Crude less product, less what the liquor holds: what stayed on papers and in flasks, impurity, and the water of a damp crude. */
function purifyingOf(crude: { g: number; dry: boolean } | undefined, losses: readonly Loss[], productG: number): Loss | null {
  if (!crude) return null
  const liquor = losses.filter(({ kind }) => kind === 'mother liquor').reduce((sum, { g }) => sum + g, 0)
  const g = crude.g - productG - liquor
  if (g <= 0) return null
  return {
    key: 'purifying',
    kind: 'purifying',
    words: crude.dry ? 'crude to pure' : 'crude to pure, and water of the crude',
    g,
    lowG: crude.dry ? g : 0,
    highG: g,
    by: 'balance',
    how: `${writeNumber(crude.g, 2)} g crude − ${writeNumber(productG, 2)} g − ${writeNumber(liquor, 2)} g in the liquor${crude.dry ? '' : '; the crude was damp: as far as this is water, so much more was lost before it was weighed'}`,
  }
}
