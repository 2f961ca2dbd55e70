import { isVolatile } from '../../matter/boiling'
import { boilsAtIn } from '../../matter/boilsAt'
import { vesselAt, type Bench } from '../../matter/state'
import { atTemperature, goesIn, leaves } from '../../matter/verbs'
import type { MatterEffect } from '../../matter/walk'
import type { World } from '../../matter/world'

/** What boils away from an open vessel over its boiling point: nobody has said for how long and how hard. */
const boilsAway = { low: 0, likely: 0.05, high: 0.6 } as const

/** Warm or hot, as far as it was said; what reacts does. From an open vessel that is hotter than its contents boil some of them leave. */
export const heatEffect: MatterEffect = (bench, doing, world) => {
  const filled = goesIn(bench, doing.brings, world, { dissolves: true })
  const { highC, lowC, closed } = doing.typed
  const toC = typeof highC === 'number' ? highC : typeof lowC === 'number' ? lowC : undefined
  const warm = toC === undefined ? filled : atTemperature(filled, toC, world, { dissolves: true })
  doing.during(warm)
  const reacted = doing.reacts(warm, { dissolves: true })
  return toC === undefined || closed === 'under a condenser' ? reacted : openTo(reacted, toC, world)
}

function openTo(bench: Bench, toC: number, world: World): Bench {
  const { name, phases } = vesselAt(bench)
  const boils = boilsAtIn(phases, world.mmHg)
  if (!('atC' in boils) || boils.atC >= toC) return bench
  world.note({
    kind: 'cannot be told',
    what: `how much of ${boils.main.name} boils away`,
    mends: 'a condenser, or a lower temperature',
    vessel: name,
  })
  const part = world.draw('boils away', boilsAway)
  return leaves(bench, name, ({ thing, certain }) => (certain && isVolatile(thing) && thing === boils.main ? part : 0))
}
