import { array, string, object } from 'yup'
import { always, empty, measurement, nothing } from './measurement'

/** A step is over, in the group's judgement. */
export const done = measurement({ schema: empty, refuses: always, label: () => 'Done', value: nothing })

/** A reading is struck and nothing is put in its place. */
export const strike = measurement({ schema: empty, refuses: always, label: () => 'Struck', value: nothing })

/** A demonstrator has seen these readings. */
export const signature = measurement({
  schema: object({
    covers: array(
      string()
        .matches(/^[0-9A-HJKMNP-TV-Z]{26}$/, '${path} must be a ULID')
        .required(),
    )
      .min(1, 'a signature covers at least one reading')
      .required(),
  }),
  writtenBy: 'a demonstrator',
  refuses: always,
  label: () => 'Signature',
  value: nothing,
})
