import { saltingFactor, saturatedSodiumChloride, usualSetschenow } from '../../matter/saltingOut'
import { holdingsIn, vesselAt, vesselNamed, type Bench } from '../../matter/state'
import { isWater } from '../../matter/thing'
import { shaken } from '../../matter/shake'
import { movesOn } from '../../matter/verbs'
import type { Doing, MatterEffect } from '../../matter/walk'

/** The layer that is shaken: the one that is named, else where the work stands. */
function layerShaken(bench: Bench, { typed }: Doing): Bench {
  const { layer } = typed
  return typeof layer === 'string' && vesselNamed(bench, layer) ? { ...bench, at: layer } : bench
}

/** Into a separating funnel, where the work does not stand in one. */
function intoFunnel(bench: Bench, { step }: Doing): Bench {
  if (step.vessel || vesselAt(bench).kind === 'separating funnel') return bench
  return movesOn(bench, { name: 'separating funnel', kind: 'separating funnel' })
}

/** Two layers are shaken, portion by portion, and parted: each goes into a vessel that has a name. With nothing to shake with, those that are there are parted. */
export const shakeEffect: MatterEffect = (bench, doing, world) => {
  const { typed, step, brings } = doing
  const there = intoFunnel(layerShaken(bench, doing), doing)
  const goes = brings.liquid.length > 0 ? brings.liquid : holdingsIn(vesselAt(there))
  const organic = brings.liquid.length > 0 && !goes.some(({ thing }) => isWater(thing))
  const into =
    typeof typed.into === 'string' && typed.into !== '' ? typed.into : `${organic ? 'extract' : 'water'} of “${step.title}”`
  const portions = typeof typed.portions === 'number' && typed.portions >= 1 ? Math.round(typed.portions) : 1
  const setschenow = typeof typed.setschenow === 'number' ? typed.setschenow : usualSetschenow
  return shaken(
    there,
    brings,
    {
      portions: brings.liquid.length > 0 ? portions : 1,
      into,
      watery: !organic,
      salting: typed.salt === 'saturated' ? saltingFactor(setschenow, saturatedSodiumChloride.molPerL) : 1,
      other: `water of “${step.title}”`,
    },
    world,
    doing.during,
    (now) => doing.reacts(now, { dissolves: true }),
  )
}
