import type { Expected } from '../measurements/measurement'
import { usuallyDiffers } from '../measurements/odd'
import { measurementIn } from '../operations/readings'
import { lineOf, substanceOfSample, type Step } from '../plan/plan'
import { exact, times } from '../quantity/figure'
import { computedLine, theoreticalYield } from '../reaction/reactionTable'
import type { Entry } from './entry'
import type { RunState } from './foldRun'
import { oddTemperature } from './oddTemperature'
import { unlikeOthers, type UsualOfClass } from './usualOfClass'

/**
 * The question to ask before an entry is written, or null: what its measurement asks, given what this plan expects at this group's scale, then what is unlike the readings before it, then
 * what is unlike those of the other benches, where those are known.
 */
export function askAbout(run: RunState, entry: Entry, others: UsualOfClass = {}): string | null {
  const state = run.steps.find(({ step }) => step.id === entry.step)
  if (!state) return null
  const { question } = measurementIn(state.step)
  const standing = [...state.standing.filter(({ id }) => id !== entry.supersedes), entry]
  const { planned, ...expected } = expectedOf(run, state.step)
  // Of a further portion, and of what a group has put in, the plan says nothing.
  const first = planned !== undefined && state.round === 1 && !state.putIn ? { planned } : {}
  const taken = { step: state.step, standing }
  return (
    question?.(entry, taken, { ...expected, ...first }) ?? oddTemperature(entry, taken) ?? unlikeOthers(run.scale, taken, others)
  )
}

/** What is known of the figures of a step before they are read. */
function expectedOf({ plan, planned }: RunState, step: Step): Expected {
  const hottestC = Math.max(...plan.substances.map(({ boiling }) => boiling?.highC ?? -Infinity))
  const boiling = plan.substances.flatMap(({ name, boiling: range }) => (range ? [{ name, ...range }] : []))
  const known: Expected = Number.isFinite(hottestC) ? { hottestC, boiling } : {}
  if (step.kind === 'charge') {
    const line = computedLine(planned, step.line)[step.measure]
    const mayDiffer = step.mayDiffer ?? usuallyDiffers(lineOf(plan, step.line))
    return line ? { ...known, mayDiffer, planned: step.portion === undefined ? line : times(line, exact(step.portion)) } : known
  }
  if (!('sample' in step)) return known
  const melting = substanceOfSample(plan, step.sample)?.melting
  const recovery = plan.recoveries?.find(({ sample }) => sample === step.sample)
  const most = recovery ? computedLine(planned, recovery.of).mass : theoreticalYield(plan, planned)
  return {
    ...known,
    ...(melting ? { melting } : {}),
    ...(most ? { most: { figure: most, of: recovery ? 'what was put in' : 'the theoretical' } } : {}),
  }
}
