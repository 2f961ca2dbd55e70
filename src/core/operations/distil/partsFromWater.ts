import type { Substance } from '../../substance/substance'
import { classesOf } from '../../reaction/reactiveClasses'

/** How a liquid stands to water, where that is known. */
export type WithWater = 'parts from it' | 'mixes with it' | 'is destroyed by it' | 'unknown'

/** Below this log P a liquid dissolves in water, or takes it up, too much to part from it: butan-1-ol 0.88 dissolves to 7 %, ethyl acetate 0.73 to 8 %. */
const partsFromLogP = 1

/**
 * Whether a liquid can be carried over with steam: it must part from water and bear it. What is not on record is not known, and is not taken to part.
 */
export function withWater(substance: Substance): WithWater {
  const classes = classesOf(substance, { form: { kind: 'neat', purity: 1 } })
  if (classes.has('water-reactive') || classes.has('acid anhydride') || classes.has('alkoxide')) return 'is destroyed by it'
  if (!substance.logP) return 'unknown'
  return substance.logP.value >= partsFromLogP ? 'parts from it' : 'mixes with it'
}
