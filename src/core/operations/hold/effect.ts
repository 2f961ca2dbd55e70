import { goesIn } from '../../matter/verbs'
import type { MatterEffect } from '../../matter/walk'

/** What is named goes in, and what is together reacts: standing, stirred, or brought to a pH, which follows from all that the plan puts in. */
export const holdEffect: MatterEffect = (bench, doing, world) => {
  const filled = goesIn(bench, doing.brings, world)
  doing.during(filled)
  return doing.reacts(filled)
}
