import { goesIn } from '../../matter/verbs'
import type { MatterEffect } from '../../matter/walk'

/** Time passes: what is together reacts. */
export const holdEffect: MatterEffect = (bench, doing, world) => {
  const filled = goesIn(bench, doing.brings, world)
  doing.during(filled)
  return doing.reacts(filled)
}
