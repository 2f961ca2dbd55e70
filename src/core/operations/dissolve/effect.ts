import type { MatterEffect } from '../../matter/walk'
import { goesIn } from '../../matter/verbs'

/** What is named goes in, and solids go into solution as far as the liquid holds them; all of one whose solubility nobody knows, for the step says so. */
export const dissolveEffect: MatterEffect = (bench, doing, world) => {
  const filled = goesIn(bench, doing.brings, world, { dissolves: true })
  doing.during(filled)
  return doing.heldLater ? filled : doing.reacts(filled, { dissolves: true })
}
