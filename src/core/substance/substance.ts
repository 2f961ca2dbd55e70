import type { Static } from '@sinclair/typebox'
import type { substanceSchema } from './substanceSchema'

/** A substance as a plan uses it, read from the file's own schema. Values that are not known are absent. */
export type Substance = Static<typeof substanceSchema>
