import type { Expected } from '../measurements/measurement'
import { measurementIn } from '../operations/readings'
import { substanceOfSample, type Step } from '../plan/plan'
import { exact, times } from '../quantity/figure'
import { computedLine, theoreticalYield } from '../reaction/reactionTable'
import type { Entry } from './entry'
import type { RunState } from './foldRun'

/** The question to ask before an entry is written, or null: what its measurement asks, given what this plan expects at this group's scale. */
export function askAbout(run: RunState, entry: Entry): string | null {
  const state = run.steps.find(({ step }) => step.id === entry.step)
  const { question } = state ? measurementIn(state.step) : {}
  if (!state || !question) return null
  const standing = [...state.standing.filter(({ id }) => id !== entry.supersedes), entry]
  const { planned, ...expected } = expectedOf(run, state.step)
  // Of a further portion, and of what a group has put in, the plan says nothing.
  const first = planned !== undefined && state.round === 1 && !state.putIn ? { planned } : {}
  return question(entry, { step: state.step, standing }, { ...expected, ...first })
}

/** What is known of the figures of a step before they are read. */
function expectedOf({ plan, planned }: RunState, step: Step): Expected {
  const hottestC = Math.max(...plan.substances.map(({ boiling }) => boiling?.highC ?? -Infinity))
  const known: Expected = Number.isFinite(hottestC) ? { hottestC } : {}
  if (step.kind === 'charge') {
    const line = computedLine(planned, step.line)[step.measure]
    return line ? { ...known, planned: step.portion === undefined ? line : times(line, exact(step.portion)) } : known
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
