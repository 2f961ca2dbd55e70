import { refusalOf } from '../measurements/registry'
import { besidesIn, measurementIn } from '../operations/readings'
import { printed } from '../words/words'
import type { Plan, Step } from '../plan/plan'
import { problemWithAnswer } from './calls'
import type { Entry } from './entry'
import { isPutIn, problemWithOwnStep, withOwnSteps } from './ownSteps'

/** Why an entry cannot belong to a step, in words; null where it can. What is odd but possible is not refused here: it is asked about. */
export function problemWith(entry: Entry, step: Step): string | null {
  // What can hurt is read before anything is opened: that is not left out, put off or hurried past.
  if (step.kind === 'safety' && (entry.kind === 'skip' || entry.kind === 'ahead' || entry.kind === 'again'))
    return 'The safety page is read once, first, by all of the group.'
  const refused = refusalOf(entry, measurementIn(step), besidesIn(step))
  return refused === null ? null : `“${printed(step.title)}” takes no ${refused}.`
}

/**
 * Why an entry cannot belong to a run, in words; null where it can. `known` are the entries that it may be about: what put its step in, and what it answers or stops.
 */
export function problemInRun(entry: Entry, plan: Plan, known: readonly Entry[], by: 'bench' | 'staff'): string | null {
  const { steps } = withOwnSteps(plan, known, () => false)
  const step = steps.find(({ id }) => id === entry.step)
  if (!step) return `The plan has no step “${entry.step}”.`
  const problem = problemWith(entry, step)
  if (problem) return problem
  if (entry.kind === 'step') return problemWithOwnStep(entry.body, plan)
  if (entry.kind !== 'answer' && entry.kind !== 'stopped' && entry.kind !== 'emptied') return null
  const about = known.find(({ id }) => id === entry.body.of)?.kind
  if (entry.kind === 'answer') return problemWithAnswer(about, by)
  if (entry.kind === 'stopped') return about === 'timer' ? null : 'This stops no clock of this bench.'
  return about === 'vessel' ? null : 'This empties no vessel of this bench.'
}

/** True where an entry can only be judged with others of its run: they are read first. */
export const needsOthers = ({ kind, step }: Entry): boolean =>
  kind === 'answer' || kind === 'stopped' || kind === 'emptied' || isPutIn(step)
