import type { Lab } from '../../lab/lab'
import { vesselNamed } from '../../matter/state'
import type { Plan } from '../../plan/plan'
import type { ReactionTable } from '../../reaction/reactionTable'
import { walkOf } from './standsIn'
import { fillMLIn } from './stoodAt'

/** Less gas than this raises no foam worth room, mmol: 50 mL of it. */
const foam = 2

/** The vessel that a step sets up, as long as the work goes on in it: millilitres when it is fullest, and whether a gas leaves it, which makes foam. */
export function fullest(plan: Plan, table: ReactionTable, lab: Lab, setUp: string): { mL: number; foams: boolean } {
  const { steps } = walkOf(plan, table, lab)
  const first = steps.findIndex(({ step }) => step.id === setUp)
  const name = steps[first]?.during.at
  let [mL, foams] = [0, false]
  for (let at = first; at >= 0 && at < steps.length; at++) {
    const { step, during, events } = steps[at]!
    if (during.at !== name || (at > first && step.vessel)) break
    mL = Math.max(mL, fillMLIn(vesselNamed(during, name)))
    foams ||= events.some((event) => event.kind === 'gas' && (event.mmol === null || event.mmol >= foam))
  }
  return { mL, foams }
}
