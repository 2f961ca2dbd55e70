import { refusalOf } from '../measurements/registry'
import { besidesIn, measurementIn } from '../operations/readings'
import { printed } from '../words/words'
import type { Step } from '../plan/plan'
import type { Entry } from './entry'

/** Why an entry cannot belong to a step, in words; null where it can. What is odd but possible is not refused here: it is asked about. */
export function problemWith(entry: Entry, step: Step): string | null {
  // What can hurt is read before anything is opened: that is not left out, put off or hurried past.
  if (step.kind === 'safety' && (entry.kind === 'skip' || entry.kind === 'ahead' || entry.kind === 'again'))
    return 'The safety page is read once, first, by all of the group.'
  const refused = refusalOf(entry, measurementIn(step), besidesIn(step))
  return refused === null ? null : `“${printed(step.title)}” takes no ${refused}.`
}
