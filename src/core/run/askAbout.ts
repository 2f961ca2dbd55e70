import { writeFigureText, writeNumber } from '../quantity/write'
import { exact, times } from '../quantity/figure'
import { substanceOfSample } from '../plan/plan'
import { computedLine, theoreticalYield } from '../reaction/reactionTable'
import { correctedRange } from '../measurements/melting'
import type { Entry } from './entry'
import type { RunState } from './foldRun'
import type { StepState } from './stepState'
import { netOf } from './net'

/** Beyond this factor a figure differs from the plan by more than a hasty hand: a decimal slip or a wrong unit. */
const slip = 3
/** A head this much above the highest boiling point is a slip: no thermometer is off by more, K. */
const hotter = 20

/**
 * The question to ask before an entry is written, or null. A factor of about ten against the plan is a decimal slip or a wrong unit; an empty container heavier than the full
 * one is a swap; a dry product above the theoretical yield is wet, salty or mis-tared; a melting range far from the
 * literature is another substance or another scale.
 */
export function askAbout(run: RunState, entry: Entry): string | null {
  const state = run.steps.find(({ step }) => step.id === entry.step)
  if (!state) return null
  const { step } = state
  const standing = [...state.standing.filter(({ id }) => id !== entry.supersedes), entry]
  if (entry.kind === 'melting' && step.kind === 'melt') {
    const melting = substanceOfSample(run.plan, step.sample)?.melting
    if (!melting) return null
    const { onsetC, clearC } = correctedRange(entry.body)
    const off = Math.max(melting.lowC - 20 - clearC, onsetC - melting.highC - 20)
    return off > 0
      ? `The literature says ${melting.lowC}–${melting.highC} °C. Is ${writeNumber(entry.body.onsetC, entry.body.decimals)}–${writeNumber(entry.body.clearC, entry.body.decimals)} °C what you saw?`
      : null
  }
  if (entry.kind === 'head') return aboutHead(run, state, entry)
  if (entry.kind !== 'reading' || entry.body.slot === 'temperature' || entry.body.slot === 'heater') return null
  const net = netOf(step, standing)
  if (!net) return null
  if (net.figure.value <= 0) return 'The container weighs no more with its contents than without. Are the two readings swapped?'
  if (net.doubt && step.kind === 'charge') return `${net.doubt} Weigh it in the same state both times.`
  if (step.kind === 'charge') {
    const line = computedLine(run.planned, step.line)[step.measure]
    if (!line) return null
    const planned = step.portion === undefined ? line : times(line, exact(step.portion))
    const factor = net.figure.value / planned.value
    if (factor < slip && factor > 1 / slip) return null
    const [shown, plan] = [net.figure, planned].map((figure) => writeFigureText(figure, step.measure))
    return `${shown} is ${howMuch(factor)} the plan’s ${plan}. Is the point in the right place?`
  }
  if (step.kind === 'weigh' || step.kind === 'dry') {
    const recovery = run.plan.recoveries?.find(({ sample }) => sample === step.sample)
    const theory = recovery ? computedLine(run.planned, recovery.of).mass : theoreticalYield(run.plan, run.planned)
    if (!theory) return null
    const factor = net.figure.value / theory.value
    const limit = step.kind === 'dry' || step.dry ? 1 : slip
    if (factor <= limit) return null
    return `${writeFigureText(net.figure, 'mass')} is ${writeNumber(factor * 100, 0)} % of the ${recovery ? '' : 'theoretical '}${writeFigureText(theory, 'mass')}${recovery ? ' put in' : ''}. ${factor > slip ? 'Is the point in the right place?' : 'Is it dry, and was the container tared?'}`
  }
  return null
}

/** The receiver only fills, and the head does not pass what boils last by much. */
function aboutHead(run: RunState, { standing }: StepState, { id, body, supersedes }: Entry<'head'>): string | null {
  const others = standing.filter(
    (entry): entry is Entry<'head'> => entry.kind === 'head' && entry.id !== id && entry.id !== supersedes,
  )
  const most = Math.max(...others.map((entry) => entry.body.volumeML))
  if (body.volumeML < most)
    return `There were ${writeNumber(most, 1)} mL in the receiver already. Is ${writeNumber(body.volumeML, body.volumeDecimals)} mL right, and is it the same receiver?`
  const hottest = Math.max(...run.plan.substances.map(({ boiling }) => boiling?.highC ?? -Infinity))
  return Number.isFinite(hottest) && body.headC > hottest + hotter
    ? `Nothing in this plan boils above ${writeNumber(hottest, 0)} °C. Is ${writeNumber(body.headC, body.decimals)} °C what the head shows?`
    : null
}

function howMuch(factor: number): string {
  if (factor > 1) return `${writeNumber(factor, factor < 10 ? 1 : 0)} times`
  return `a ${factor < 0.15 && factor > 0.07 ? 'tenth' : `${writeNumber(1 / factor, 0)}th`} of`
}
