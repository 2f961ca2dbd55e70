import { goesIn } from '../../matter/verbs'
import type { MatterEffect } from '../../matter/walk'

/** Stirring brings together what is there: it reacts, and solids go into solution as far as the liquid holds them. */
export const stirEffect: MatterEffect = (bench, doing, world) => {
  const filled = goesIn(bench, doing.brings, world)
  doing.during(filled)
  return doing.reacts(filled)
}
