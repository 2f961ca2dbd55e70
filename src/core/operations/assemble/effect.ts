import { goesIn } from '../../matter/verbs'
import type { MatterEffect } from '../../matter/walk'

/** Another apparatus ends a distillation: what was collected is what the work goes on with. What is named goes in. */
export const assembleEffect: MatterEffect = ({ still: _still, ...bench }, doing, world) => {
  const filled = goesIn(bench, doing.brings, world)
  doing.during(filled)
  return doing.heldLater ? filled : doing.reacts(filled)
}
