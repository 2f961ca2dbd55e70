import { atTemperature, goesIn } from '../../matter/verbs'
import type { MatterEffect } from '../../matter/walk'

/** What ice and water, ice and salt, and the tap bring a flask to, °C; as the planner's baths. */
const baths: Readonly<Record<string, number>> = { 'ice and water': 5, 'ice and salt': -5, 'cold water': 18 }

/** Colder, as far as it was said: what the cold liquid no longer holds comes out. */
export const coolEffect: MatterEffect = (bench, doing, world) => {
  const filled = goesIn(bench, doing.brings, world)
  const { toC, bath } = doing.typed
  const cold = typeof toC === 'number' ? toC : baths[String(bath ?? '')]
  doing.during(filled)
  return cold === undefined ? filled : atTemperature(filled, cold, world)
}
