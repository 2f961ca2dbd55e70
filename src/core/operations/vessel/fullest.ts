import type { Lab } from '../../lab/lab'
import { vesselNamed } from '../../matter/state'
import type { Plan } from '../../plan/plan'
import type { ReactionTable } from '../../reaction/reactionTable'
import { walkOf } from './standsIn'
import { fillMLIn } from './stoodAt'

/** Millilitres in the vessel that a step sets up, when it is fullest: as long as the work goes on in it. */
export function fullestML(plan: Plan, table: ReactionTable, lab: Lab, setUp: string): number {
  const { steps } = walkOf(plan, table, lab)
  const first = steps.findIndex(({ step }) => step.id === setUp)
  const name = steps[first]?.during.at
  let most = 0
  for (let at = first; at >= 0 && at < steps.length; at++) {
    const { step, during } = steps[at]!
    if (during.at !== name || (at > first && step.vessel)) break
    most = Math.max(most, fillMLIn(vesselNamed(during, name)))
  }
  return most
}
