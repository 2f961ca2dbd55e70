import type { MatterEvent } from './events'
import type { Draw } from './span'
import type { Things } from './things'

/** What effects need besides the bench: what things are, the laboratory's pressure, and one realisation of what is not known for certain. */
export interface World {
  things: Things
  mmHg: number
  draw: Draw
  /** The step, for the keys of what is drawn. */
  step: string
  note: (event: MatterEvent) => void
}
