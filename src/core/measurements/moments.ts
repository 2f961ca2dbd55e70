import { entered, nothing } from './measurement'

/** A step is over, in the group's judgement. */
export const done = entered({ schema: ({ empty }) => empty, always: true, refused: 'end', label: () => 'Done', value: nothing })

/** A reading is struck and nothing is put in its place. */
export const strike = entered({
  schema: ({ empty }) => empty,
  always: true,
  refused: 'strike',
  label: () => 'Struck',
  value: nothing,
})

/** A demonstrator has seen these readings. */
export const signature = entered({
  schema: ({ object, array, string }) =>
    object({
      covers: array(
        string()
          .matches(/^[0-9A-HJKMNP-TV-Z]{26}$/, '${path} must be a ULID')
          .required(),
      )
        .min(1, 'a signature covers at least one reading')
        .required(),
    }),
  writtenBy: 'a demonstrator',
  always: true,
  refused: 'signature',
  label: () => 'Signature',
  value: nothing,
})
