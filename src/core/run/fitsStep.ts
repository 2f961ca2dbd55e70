import { takesIn } from '../operations/readings'
import { refusalOf } from '../measurements/registry'
import type { Step } from '../plan/plan'
import type { Entry } from './entry'

/** Why an entry cannot belong to a step, in words; null where it can. What is odd but possible is not refused here: it is asked about. */
export function problemWith(entry: Entry, step: Step): string | null {
  const refused = refusalOf(entry, takesIn(step))
  return refused === null ? null : `“${step.title}” takes no ${refused}.`
}
