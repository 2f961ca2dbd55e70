import { tubeNames, tubesOf, type TestBlanks } from '@/core/operations/test/planner'
import { blanksOf, contextOf } from '@/core/operations/planners'
import { slotsOf } from '@/core/operations/send/sampleSlots'
import { batchOf } from '@/core/operations/distil/mixture'
import { batchDistillation } from '@/core/operations/distil/batch'
import { distillationsOf } from '@/core/classroom/panels/curves'
import { windowOf } from '@/core/operations/distil/receivers'
import type { DistilBlanks } from '@/core/operations/distil/blanks'
import { partsUsed } from '@/core/plan/partsUsed'
import { crudeSample, productSample, weighedSamples, substanceOfSample, type Plan, type Step } from '@/core/plan/plan'
import { boilsAt } from '@/core/substance/boilsAt'
import { computedLine } from '@/core/reaction/reactionTable'
import type { Due, PairDue } from '@/core/measurements/due'
import { dueIn } from '@/core/run/due'
import { foldRun, type RunState } from '@/core/run/foldRun'
import type { StepState } from '@/core/run/stepState'
import type { InventedLog } from './log'

/** How one invented group worked: what it got, and how well. */
export interface Worker {
  bench: number
  /** Minutes behind the plan per hour of work, negative for the quick. */
  slow: number
  /** g of each sample as it is weighed at last, of the whole that the plan gives at its scale. */
  gets: (run: RunState, sample: string) => number
  /** How far a melting or boiling range begins below where it should, °C, and how wide it is. */
  lowC: number
  wideC: number
  /** Water in a sample at its first weighing, as a part of it. */
  wet: number
  /** Times the planned hot solvent. */
  solvent: number
  /** Tubes that this group sees otherwise than they should be, as `step tube`. */
  misreads?: readonly string[]
  /** The index is off by so much. */
  offIndex?: number
}

const round = (value: number, decimals: number) => Number(value.toFixed(decimals))

/** True for a sample that a plan ends with. */
const isLast = (plan: Plan, sample: string) =>
  plan.recoveries?.some((each) => each.sample === sample) === true ||
  sample === productSample(plan) ||
  // What is mixed for a look at its range is of what is pure, and is not weighed.
  (sample !== crudeSample(plan) && !weighedSamples(plan).includes(sample))

const curves = new Map<string, readonly { volumeML: number; headC: number }[]>()

/** The curve of a step at a scale, worked out once for all groups. */
function curveOf({ plan, scale }: RunState, step: Step, batch: () => ReturnType<typeof batchOf>) {
  const key = `${plan.title} ${step.id} ${scale}`
  const known = curves.get(key)
  if (known) return known
  const found = batch()
  const points = found ? batchDistillation(found.mixture, { ...found.charge, points: 100 }).points : []
  curves.set(key, points)
  return points
}

/** Plays a whole run of any plan, writing what is due in each step, until a minute of the day or the end. */
export function play(
  log: InventedLog,
  plan: Plan,
  scale: number,
  worker: Worker,
  { demonstrator, random, from = 2, mmHg = 745 }: { demonstrator: string; random: () => number; from?: number; mmHg?: number },
): void {
  let minute = from
  const around = (value: number, part: number) => value * (1 + part * (2 * random() - 1))
  const containers = new Map<string, number>()
  /** What has come over with the apparatus that is set up now, mL. */
  let overML = 0
  for (const { id } of plan.steps) {
    let state: StepState
    let written = 0
    for (;;) {
      const run = foldRun(plan, scale, log.entries)
      state = run.steps.find(({ step }) => step.id === id)!
      const due = dueIn(state)
      if (!due || written > 14) break
      written++
      const { handsOnMin, waitMin } = state.step
      const share = written === 1 ? 0.55 : 0.25
      // What is held is held.
      if ((due.kind === 'press' || due.kind === 'done') && due.ends && 'holdMin' in state.step)
        minute += around(state.step.holdMin, 0.06)
      minute += Math.max(
        0.4,
        around(share * (handsOnMin + ('holdMin' in state.step ? 0.1 : 1) * waitMin), 0.25) * (1 + worker.slow / 60),
      )
      if (!answer(run, state, due)) break
    }
    if (state.step.witness) {
      const shown = state.standing.filter(({ kind }) => kind !== 'press' && kind !== 'done')
      if (shown.length > 0) log.sign((minute += 1.5), id, demonstrator, shown)
    }
  }

  /** Writes what is due; false where the step is over without it. */
  function answer(run: RunState, state: StepState, due: Due): boolean {
    const { step } = state
    if (due.kind === 'tare') {
      log.reading(minute, step.id, { slot: 'tared', value: 0, unit: 'g', decimals: due.decimals, weighing: { method: 'tare' } })
    } else if (due.kind === 'reading') {
      if (due.slot === 'pH' && state.standing.length > 2) return over(step)
      if (due.slot === 'burette before' && state.standing.length >= 4) return over(step)
      const value = round(number(run, state, due.slot), due.decimals)
      log.reading(minute, step.id, {
        slot: due.slot,
        value,
        unit: due.unit,
        decimals: due.decimals,
        ...(due.weighing === 'tare' ? { weighing: { method: 'tare' as const } } : {}),
        ...(due.weighing === 'difference' ? { weighing: { method: 'difference' as const, closure: 'with cap' as const } } : {}),
      })
    } else if (due.kind === 'pair') pair(run, step, due)
    else if (due.kind === 'press') log.press(minute, step.id, due.mark)
    else if (due.kind === 'done') return over(step)
    else if (due.kind === 'words')
      log.add(minute, step.id, 'note', { slot: due.slot, text: slotsOf(worker.bench, 1)![0]!, for: 'gas chromatography' })
    else if (due.kind === 'head') return heads(run, step)
    else if (due.kind === 'tubes') return tubes(run, step)
    else return over(step)
    return true
  }

  function over(step: Step): false {
    log.done((minute += 0.3), step.id)
    return false
  }

  /** What a device shows. */
  function number(run: RunState, { step, standing }: StepState, slot: string): number {
    if (slot === 'pH') return round(6.2 + 0.4 * standing.length, 1)
    if (slot === 'flask') return 100
    if (slot.startsWith('burette')) return slot.endsWith('before') ? 0 : around(18.4, 0.01)
    if (slot === 'volume' && step.kind === 'crystallise')
      return worker.solvent * (computedLine(run.planned, step.solvent).volume?.value ?? 50) * around(1, 0.06)
    const g = step.kind === 'charge' ? chargedOf(run, step) : weighedOf(run, step, standing)
    if (slot === 'net' || slot === 'volume') return g
    const container = containers.get(step.id) ?? around(28, 0.2)
    containers.set(step.id, round(container, 3))
    return slot === 'empty' ? round(container, 2) : round(container, 2) + g
  }

  function chargedOf(run: RunState, step: Step & { kind: 'charge' }): number {
    const planned = computedLine(run.planned, step.line)[step.measure]
    const part = partsUsed(step).find(({ line }) => line === step.line)?.part ?? 1
    return around((planned?.value ?? 1) * part, 0.008)
  }

  /** A solid that is dried loses its water from weighing to weighing; what is weighed once is as it is. */
  function weighedOf(run: RunState, step: Step, standing: StepState['standing']): number {
    if (!('sample' in step)) return 1
    const g = worker.gets(run, step.sample)
    if (step.kind !== 'dry') return g
    const weighings = standing.filter((entry) => entry.kind === 'reading' && entry.body.slot === 'full').length
    const water = [worker.wet, worker.wet / 12, worker.wet / 15][weighings] ?? 0
    return g * (1 + water)
  }

  function pair(run: RunState, step: Step, { entry, faces }: PairDue): void {
    const sample =
      'sample' in step
        ? step.sample
        : run.plan.steps
            .slice(
              0,
              run.plan.steps.findIndex(({ id }) => id === step.id),
            )
            .findLast((each) => 'sample' in each && each.kind === 'weigh')
    const name = typeof sample === 'string' ? sample : sample && 'sample' in sample ? sample.sample : ''
    const substance = substanceOfSample(run.plan, name)
    const decimals = faces[0].decimals
    const wideC = around(worker.wideC, 0.25)
    if (entry === 'melting') {
      const high = substance?.melting?.highC ?? 100
      // What is not yet purified melts lower, and over a wider range.
      const last = isLast(run.plan, name)
      const clearC = round(high - (last ? worker.lowC : worker.lowC + 4) + 0.3 * (random() - 0.5), decimals)
      log.add(minute, step.id, 'melting', { onsetC: round(clearC - (last ? wideC : wideC + 3), decimals), clearC, decimals })
    } else if (entry === 'boiling') {
      const here = substance ? (boilsAt(substance, mmHg)?.atC ?? 100) : 100
      const highC = round(here + 0.3 - worker.lowC * 0.3, decimals)
      log.add(minute, step.id, 'boiling', { lowC: round(highC - wideC, decimals), highC, decimals, mmHg })
    } else {
      const atC = round(around(21.5, 0.06), 1)
      const literature = Number((step.kind === 'act' && step.work?.literature) || 1.4)
      // Organic liquids fall by about 0.00045 to the kelvin.
      const index = round(literature - 0.00045 * (atC - 20) + (worker.offIndex ?? 0) + 0.0004 * (random() - 0.5), 4)
      log.add(minute, step.id, 'refraction', { index, decimals: 4, atC })
    }
  }

  /** Readings at the head along the curve that the planner works out, from the first drop of this receiver to its last. */
  function heads(run: RunState, step: Step): boolean {
    const row = distillationsOf(run.plan).find((steps) => steps.some(({ id }) => id === step.id)) ?? [step]
    const context = contextOf(run.plan, run.planned, row[0]!)
    const curve = curveOf(run, row[0]!, () => batchOf(context, blanksOf<DistilBlanks>(context)))
    const { lowC, highC } = windowOf(
      contextOf(run.plan, run.planned, step),
      blanksOf<DistilBlanks>(contextOf(run.plan, run.planned, step)),
    )
    const from = step.id === row[0]!.id ? 0 : overML
    const last = step.id === row.at(-1)!.id
    const inside = curve.filter(({ volumeML, headC }) => volumeML >= from && (last || headC <= highC))
    // Where the curve is not known the head rises through the author's window.
    const all =
      inside.length > 3
        ? inside
        : [0, 1, 2, 3, 4].map((i) => ({ volumeML: from + i, headC: lowC + ((highC - lowC) * (i + 1)) / 6 }))
    const first = all[0]!.volumeML
    const readings = Math.min(8, Math.max(3, Math.round((all.at(-1)!.volumeML - first) / 2)))
    const shift = 4 * (random() - 0.5)
    for (let i = 0; i <= readings; i++) {
      const at = all[Math.round((i * (all.length - 1)) / readings)]!
      // A group that heats faster parts the two less sharply: its curve runs ahead or behind.
      const shown = all.find(({ volumeML }) => volumeML >= at.volumeML + shift) ?? at
      log.add((minute += 1.6), step.id, 'head', {
        volumeML: i === 0 ? 0 : round(at.volumeML - first, 1),
        volumeDecimals: 1,
        headC: round(shown.headC - 0.4 * worker.lowC + 0.5 * (random() - 0.5), 1),
        decimals: 1,
      })
    }
    overML = all.at(-1)!.volumeML
    return over(step)
  }

  /** Every tube: started together, its sign seen after a while, or none when the watch is over. */
  function tubes(run: RunState, step: Step): boolean {
    const blanks = blanksOf<TestBlanks>(contextOf(run.plan, run.planned, step))
    const names = tubeNames(blanks)
    for (const tube of names) log.add(minute, step.id, 'tube', { tube, event: 'start' })
    const seen = tubesOf(blanks).map((tube, index) => {
      const wrong = worker.misreads?.includes(`${step.id} ${index + 1}`) ?? false
      const sign = (tube.expect === 'positive') !== wrong
      return { name: names[index]!, sign, after: sign ? around(tube.holds === 'control' ? 0.5 : 1.4, 0.6) : 5 }
    })
    const begun = minute
    for (const { name, sign, after } of seen.sort((a, b) => a.after - b.after))
      log.add((minute = Math.max(minute, begun + after)), step.id, 'tube', { tube: name, event: sign ? 'sign' : 'none' })
    return over(step)
  }
}
