import type { MatterEvent } from './events'
import type { Draw } from './span'
import type { Things } from './things'
import type { WrittenK } from './writtenK'

/** What effects need besides the bench: what things are, the laboratory's pressure, and one realisation of what is not known for certain. */
export interface World {
  things: Things
  mmHg: number
  draw: Draw
  /** Partition coefficients that the author has written up to this step. */
  written: WrittenK
  /** The step, for the keys of what is drawn. */
  step: string
  note: (event: MatterEvent) => void
}
