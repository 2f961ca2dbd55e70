import { goesIn, movesOn } from '../../matter/verbs'
import type { MatterEffect } from '../../matter/walk'

/** All of it rinsed into a measuring flask with what is named. */
export const makeUpEffect: MatterEffect = (bench, doing, world) => {
  const moved = doing.step.vessel ? bench : movesOn(bench, { name: `flask of “${doing.step.title}”` })
  const filled = goesIn(moved, doing.brings, world, { dissolves: true })
  doing.during(filled)
  return doing.reacts(filled, { dissolves: true })
}
