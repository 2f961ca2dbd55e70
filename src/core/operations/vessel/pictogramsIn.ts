import { linesOf } from './linesOf'
import type { Lab } from '../../lab/lab'
import { holdingsIn, vesselNamed } from '../../matter/state'
import { isWater } from '../../matter/thing'
import type { Plan, Step } from '../../plan/plan'
import type { ReactionTable } from '../../reaction/reactionTable'
import { walkOf } from './standsIn'

/** The pictograms of what stands in the vessel while a step is done: of each substance of the plan, and of what anything else, such as an ion or the ammonia of a solution, was brought in. What only may still be there counts. */
export function pictogramsIn(plan: Plan, table: ReactionTable, step: Step, lab: Lab) {
  const stood = walkOf(plan, table, lab).steps.find((each) => each.step.id === step.id)
  const vessel = stood && vesselNamed(stood.during, stood.during.at)
  const substances = (vessel ? holdingsIn(vessel) : []).flatMap(({ thing, from }) => {
    if (isWater(thing) || plan.substances.includes(thing.substance)) return [thing.substance]
    const lines = linesOf(plan, from)
    return plan.substances.filter(({ id }) => lines.some(({ substance }) => substance === id))
  })
  return [...new Set(substances.flatMap(({ hazards }) => hazards?.pictograms ?? []))].sort()
}
