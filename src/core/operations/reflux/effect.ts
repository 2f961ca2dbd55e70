import { boilsAtIn } from '../../matter/boilsAt'
import { vesselAt } from '../../matter/state'
import { atTemperature, goesIn } from '../../matter/verbs'
import type { MatterEffect } from '../../matter/walk'

/** It boils: everything that is together reacts and dissolves as far as it can; the condenser lets nothing out but gas. */
export const refluxEffect: MatterEffect = (bench, doing, world) => {
  const filled = goesIn(bench, doing.brings, world)
  const boils = boilsAtIn(vesselAt(filled).phases, world.mmHg)
  const hot = 'atC' in boils ? atTemperature(filled, boils.atC, world, { dissolves: true }) : filled
  doing.during(hot)
  return doing.reacts(hot, { dissolves: true })
}
