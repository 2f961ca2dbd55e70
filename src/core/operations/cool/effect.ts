import { baths } from './baths'
import { atTemperature, goesIn } from '../../matter/verbs'
import type { MatterEffect } from '../../matter/walk'

/** A flask in a bath stays so much above it in a useful time, K. */
const aboveK = 5

/** Colder, as far as it was said: what the cold liquid no longer holds comes out. */
export const coolEffect: MatterEffect = (bench, doing, world) => {
  const filled = goesIn(bench, doing.brings, world)
  const { toC, bath } = doing.typed
  const held = baths[String(bath ?? '')]
  const cold = typeof toC === 'number' ? toC : held && held.atC + aboveK
  doing.during(filled)
  return cold === undefined ? filled : atTemperature(filled, cold, world)
}
