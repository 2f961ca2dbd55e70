import type { MatterEffect } from '../../matter/walk'
import { lineOf } from '../../plan/plan'
import { goesIn } from '../../matter/verbs'

/** What is named goes into the vessel; it reacts where nothing holds or heats it later. */
export const chargeEffect: MatterEffect = (bench, doing, world) => {
  // A solvent is there to dissolve.
  const dissolves = doing.lines.some(({ line }) => lineOf(doing.plan, line).role === 'solvent')
  const filled = goesIn(bench, doing.brings, world, { dissolves })
  doing.during(filled)
  return doing.heldLater ? filled : doing.reacts(filled, { dissolves })
}
