import type { Lab } from '../../lab/lab'
import { holdingsIn, vesselNamed } from '../../matter/state'
import type { Plan, Step } from '../../plan/plan'
import type { ReactionTable } from '../../reaction/reactionTable'
import { walkOf } from './standsIn'

/** The pictograms of what stands in the vessel while a step is done: of each substance, and of what its ions were brought in. What only may still be there counts. */
export function pictogramsIn(plan: Plan, table: ReactionTable, step: Step, lab: Lab) {
  const stood = walkOf(plan, table, lab).steps.find((each) => each.step.id === step.id)
  const vessel = stood && vesselNamed(stood.during, stood.during.at)
  const substances = (vessel ? holdingsIn(vessel) : []).flatMap(({ thing, from }) => [
    thing.substance,
    ...(thing.charge === 0
      ? []
      : from.flatMap((origin) => {
          const line = plan.lines.find(({ id }) => origin === `line ${id}`)
          return plan.substances.filter(({ id }) => id === line?.substance)
        })),
  ])
  return [...new Set(substances.flatMap(({ hazards }) => hazards?.pictograms ?? []))].sort()
}
