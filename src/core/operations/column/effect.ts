import { holdingsIn, vesselAt, withVessel } from '../../matter/state'
import { goesIn, movesOn } from '../../matter/verbs'
import type { MatterEffect } from '../../matter/walk'

/** Which tube holds what nobody knows before they were looked at: all of it may be there, and nothing is sure. */
export const columnEffect: MatterEffect = (bench, doing, world) => {
  const filled = goesIn(bench, doing.brings, world)
  doing.during(filled)
  const moved = movesOn(filled, { name: `tubes of “${doing.step.title}”` })
  const vessel = vesselAt(moved)
  if (holdingsIn(vessel).length === 0) return moved
  world.note({ kind: 'cannot be told', what: 'what each tube holds', mends: 'thin layers of the tubes', vessel: vessel.name })
  return withVessel(moved, {
    ...vessel,
    phases: vessel.phases.map((phase) => ({ ...phase, holds: phase.holds.map((each) => ({ ...each, certain: false })) })),
  })
}
