import { object, string } from 'yup'
import { measurement, nothing } from './measurement'

const marks = {
  'heat-on': 'Heat on',
  onset: 'Onset of reflux',
  'heat-off': 'Heat off',
  start: 'Clock started',
  /** The last of the solid has gone, so no further portion of hot solvent comes. */
  dissolved: 'All of it dissolved',
} as const

export type Mark = keyof typeof marks

/** A moment: heat on, onset of reflux, heat off, start of a hold. */
export const press = measurement({
  schema: object({
    mark: string()
      .oneOf(Object.keys(marks) as Mark[])
      .required(),
  }),
  refuses: ({ mark }, takes) => (takes.marks.includes(mark) ? null : `mark “${mark}”`),
  label: ({ mark }) => marks[mark],
  value: nothing,
})
