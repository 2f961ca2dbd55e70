import { goesIn, movesOn } from '../../matter/verbs'
import type { MatterEffect } from '../../matter/walk'

/** All of it into another vessel, or onto what is named there. */
export const pourEffect: MatterEffect = (bench, doing, world) => {
  const moved = doing.step.vessel ? bench : movesOn(bench, { name: `vessel of “${doing.step.title}”` })
  const filled = goesIn(moved, doing.brings, world)
  doing.during(filled)
  return doing.heldLater ? filled : doing.reacts(filled)
}
