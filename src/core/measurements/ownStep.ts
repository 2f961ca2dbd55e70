import { ownEffects } from '../plan/lists'
import { entered } from './measurement'

/** What is left after work that the program does not know, in words. */
export const effectWords: Readonly<Record<(typeof ownEffects)[number], string>> = {
  stays: 'nothing left the vessel',
  'goes into another vessel': 'all went into another vessel',
  'only the product is left': 'only the product is left',
  'the vessel was empty': 'the vessel was empty before',
}

/** A step of the group's own is put in after the one that it is written in; its readings belong to it. What it is stands in its operation, or in its title alone. */
export const ownStep = entered({
  schema: ({ object, string }) =>
    object({
      title: string().trim().min(1, 'say in a few words what is done').max(80).required(),
      /** Name of the operation; absent for work that the program does not know. */
      operation: string().min(1).max(40).optional(),
      /** The line that is charged. */
      line: string().min(1).max(80).optional(),
      /** The sample that is weighed, dried or melted. */
      sample: string().trim().min(1).max(40).optional(),
      /** What work that the program does not know does to what is in the vessel; absent where nobody knows. */
      effect: string().oneOf(ownEffects).optional(),
    }),
  always: true,
  apart: true,
  aside: ['title'],
  refused: 'further step',
  label: () => 'Step put in after it',
  value: ({ title }) => title,
})

/** What work that the program does not know has done to what is in the vessel: somebody says it, and it is unknown no longer. */
export const contents = entered({
  schema: ({ object, string }) => object({ effect: string().oneOf(ownEffects).required() }),
  always: true,
  apart: true,
  refused: 'word about what is in the vessel',
  label: () => 'In the vessel',
  value: ({ effect }) => effectWords[effect],
})
