import { over } from './due'
import type { Measurement } from './measurement'
import { readingIn } from './numbers'

/** The volume of the flask that a solution is made up in. */
export const madeUp: Measurement = {
  written: () => 'volume of the flask',
  numbers: { flask: { unit: 'mL', label: 'Made up to' } },
  once: ['flask'],
  due: ({ step, standing }) =>
    readingIn(standing, 'flask')
      ? over(step.until)
      : {
          kind: 'reading',
          slot: 'flask',
          label: 'Volume of the flask',
          hint: 'As it is printed on it, when it is filled to the mark.',
          unit: 'mL',
          decimals: 0,
        },
}
