import type { Substance } from '../../substance/substance'
import { logPLimits } from '../../substance/waterLimits'
import { classesOf } from '../../reaction/reactiveClasses'

/** How a liquid stands to water, where that is known. */
export type WithWater = 'parts from it' | 'mixes with it' | 'is destroyed by it' | 'unknown'

/**
 * Whether a liquid can be carried over with steam: it must part from water and bear it. What is not on record is not known, and is not taken to part.
 */
export function withWater(substance: Substance): WithWater {
  const classes = classesOf(substance, { form: { kind: 'neat', purity: 1 } })
  if (classes.has('water-reactive') || classes.has('acid anhydride') || classes.has('alkoxide')) return 'is destroyed by it'
  if (!substance.logP) return 'unknown'
  return substance.logP.value >= logPLimits.parts ? 'parts from it' : 'mixes with it'
}
