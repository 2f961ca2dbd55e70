import { agreementOf } from '../measurements/agreement'
import { concordant } from '../measurements/concordant'
import { headsIn } from '../measurements/head'
import { readability, readingsIn } from '../measurements/numbers'
import { markedAt } from '../measurements/press'
import { titresOf } from '../measurements/titre'
import { operationIn } from '../operations/registry'
import { timeInBand } from '../operations/vessel/timeInBand'
import { typedFor } from '../plan/typedFor'
import { writeNumber } from '../quantity/write'
import { computedLine } from '../reaction/reactionTable'
import type { Entry } from './entry'
import type { RunState } from './foldRun'
import { oursIn } from './ours'
import type { StepState } from './stepState'

/** How near a step is to its end, in words: what is still wanted, or that it is there. */
export interface Finish {
  level: 'good' | 'open' | 'doubt'
  words: string
}

type Sign = (state: StepState, run: RunState, nowMs: number) => Finish | null

const typed = (state: StepState, key: string): number | null => {
  const value = typedFor(state.step)[key]
  return typeof value === 'number' ? value : null
}

/** Two weighings of what is dried: how far they are apart, against what they may be. */
const constant: Sign = ({ step, net }) => {
  const [before, last] = net?.series?.slice(-2) ?? []
  if (step.kind !== 'dry' || !before || !last) return null
  const apart = Math.abs(last.massG - before.massG)
  const limit = agreementOf(last.massG, step.agreement, readability(step.device))
  const inMg = (grams: number) => `${writeNumber(1000 * grams, 0)} mg`
  // Once they agree the step is over.
  return { level: 'open', words: `Two weighings still differ by ${inMg(apart)}; they agree within ${inMg(limit)}.` }
}

/** Minutes inside the band that the plan names, out of those that it is to be held. */
const inBand: Sign = (state) => {
  const { step } = state
  if (step.kind !== 'reflux' && step.kind !== 'hold') return null
  const [lowC, highC] = [typed(state, 'lowC'), typed(state, 'highC')]
  const from = markedAt(state, 'onset') ?? markedAt(state, 'start')
  if (lowC === null || highC === null || from === null) return null
  const readings = readingsIn(state.standing, 'temperature').filter(({ at }) => at >= from)
  if (readings.length === 0) return null
  const minutes = (at: string) => (Date.parse(at) - Date.parse(from)) / 60_000
  const { insideMin } = timeInBand(
    readings.map(({ at, body }) => ({ atMin: minutes(at), celsius: body.value })),
    { lowC, highC },
  )
  const last = readings.at(-1)!.body.value
  const band = `${writeNumber(lowC, 0)}–${writeNumber(highC, 0)} °C`
  const inside = last >= lowC && last <= highC
  const so = `${writeNumber(Math.floor(insideMin + 1e-9), 0)} of ${writeNumber(step.holdMin, 0)} min inside ${band}, by the readings.`
  if (inside) return { level: insideMin >= step.holdMin ? 'good' : 'open', words: so }
  return { level: 'doubt', words: `${so} It stands ${last < lowC ? 'below' : 'above'} the band.` }
}

/** Whether gas still comes, where gas comes off or acid and base meet. */
const gas: Sign = ({ step, standing }) => {
  if (!step.says?.includes('gas-comes') && !operationIn(step)?.meetsAcidOrBase) return null
  const seen = standing.findLast((entry) => entry.kind === 'observation' && entry.body.gas !== undefined) as
    Entry<'observation'> | undefined
  if (!seen) return null
  if (seen.body.gas === 'none') return { level: 'good', words: 'No more gas comes.' }
  const shakes = operationIn(step)?.shakes
  return { level: 'open', words: `Gas still comes: ${shakes ? 'vent, and do it once more.' : 'wait, and go on slowly.'}` }
}

/** The last pH against the window that the plan names. */
const pH: Sign = (state) => {
  const last = readingsIn(state.standing, 'pH').at(-1)?.body
  const [low, high] = [typed(state, 'lowPH'), typed(state, 'highPH')]
  if (!last || low === null || high === null) return null
  const window = `${writeNumber(low, 1)} to ${writeNumber(high, 1)}`
  const shown = `pH ${writeNumber(last.value, last.decimals)}`
  if (last.value >= low && last.value <= high) return { level: 'good', words: `${shown}: within ${window}.` }
  return { level: 'open', words: `${shown}: still ${last.value < low ? 'below' : 'above'} ${window}.` }
}

/** Hot solvent so far against what the crude takes. */
const dissolved: Sign = (state, run) => {
  const { step, net, standing } = state
  if (step.kind !== 'crystallise' || net) return null
  const soFar = readingsIn(standing, 'portion').reduce((sum, { body }) => sum + body.value, 0)
  if (soFar === 0) return null
  const all = computedLine(oursIn(run, step).table, step.solvent).volume
  if (!all) return { level: 'open', words: `${writeNumber(soFar, 0)} mL so far.` }
  const words = `${writeNumber(soFar, 0)} mL so far, of about ${writeNumber(all.value, 0)} mL.`
  return soFar > 1.5 * all.value
    ? { level: 'doubt', words: `${words} What is left may be something that does not dissolve: it is filtered off hot.` }
    : { level: 'open', words }
}

/** The head against the window of the fraction. */
const window: Sign = (state) => {
  const last = headsIn(state.standing).at(-1)?.body
  const widened = state.standing.findLast((entry) => entry.kind === 'window') as Entry<'window'> | undefined
  const [lowC, highC] = [widened?.body.lowC ?? typed(state, 'lowC'), widened?.body.highC ?? typed(state, 'highC')]
  if (!last || lowC === null || highC === null) return null
  const band = `${writeNumber(lowC, 0)}–${writeNumber(highC, 0)} °C`
  const shown = `${writeNumber(last.headC, last.decimals)} °C at the head`
  if (last.headC < lowC) return { level: 'open', words: `${shown}: below ${band}, this is forerun.` }
  if (last.headC > highC) return { level: 'doubt', words: `${shown}: above ${band}. Change the receiver, or stop.` }
  return { level: 'good', words: `${shown}: inside ${band}, collect.` }
}

const titres: Sign = ({ standing }) => {
  const all = titresOf(standing)
  if (all.length < 2) return null
  const agreeing = concordant(all)
  const sorted = (agreeing ?? all).toSorted((a, b) => a - b)
  if (agreeing)
    return {
      level: 'good',
      words: `${agreeing.length} titrations agree: they differ by ${writeNumber(sorted.at(-1)! - sorted[0]!, 2)} mL.`,
    }
  const apart = Math.min(...sorted.slice(1).map((each, index) => each - sorted[index]!))
  return { level: 'open', words: `No two agree yet: the nearest differ by ${writeNumber(apart, 2)} mL.` }
}

/** The time of a clock that is up, or what is left of it. */
const clock: Sign = (state, run, nowMs) => {
  const running = run.clocks.find(({ step, own }) => step === state.step.id && own === undefined)
  if (!running?.dueAt) return null
  const leftMin = (Date.parse(running.dueAt) - nowMs) / 60_000
  if (leftMin <= 0) return { level: 'good', words: 'Its time is up.' }
  return { level: 'open', words: `About ${writeNumber(Math.max(1, Math.round(leftMin)), 0)} min to go.` }
}

/** How the sample looks, where the plan wants it told. */
const looks: Sign = ({ step, standing }, run) => {
  if (step.kind !== 'weigh' && step.kind !== 'dry') return null
  const wanted = run.plan.wants?.some((want) => want.quantity === 'appearance' && (want.sample ?? step.sample) === step.sample)
  if (!wanted || standing.some(({ kind }) => kind === 'observation')) return null
  return { level: 'open', words: 'Write what we see, too: colour, crystals, powder or oil. The plan wants it told.' }
}

const signs: readonly Sign[] = [clock, inBand, constant, gas, pH, dissolved, window, titres, looks]

/** How near a step is to its end, from what stands in it; nothing where it is over, or nothing tells. */
export function finishOf(run: RunState, state: StepState, nowMs: number): Finish[] {
  if (!state.open) return []
  return signs.flatMap((sign) => sign(state, run, nowMs) ?? [])
}
