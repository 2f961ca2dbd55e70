import { goesIn } from '../../matter/verbs'
import type { MatterEffect } from '../../matter/walk'

/** Acid or base goes in, all that the plan has of it: how far the pH comes follows from that. */
export const setPHEffect: MatterEffect = (bench, doing, world) => {
  const filled = goesIn(bench, doing.brings, world)
  doing.during(filled)
  return doing.reacts(filled)
}
