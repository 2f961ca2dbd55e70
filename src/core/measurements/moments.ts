import { entered, nothing } from './measurement'

/** A step is over, in the group's judgement. */
export const done = entered({ schema: ({ empty }) => empty, always: true, refused: 'end', label: () => 'Done', value: nothing })

/** A step is left out, with the reason. */
export const skip = entered({
  schema: ({ empty }) => empty,
  always: true,
  ends: true,
  needsReason: 'say why the step is left out',
  refused: 'leaving out',
  label: () => 'Left out',
  value: (_body, reason) => reason ?? '',
})

/** A step is done before its turn, with the reason. */
export const ahead = entered({
  schema: ({ empty }) => empty,
  always: true,
  needsReason: 'say why it is done out of turn',
  refused: 'doing it out of turn',
  label: () => 'Out of turn',
  value: (_body, reason) => reason ?? '',
})

/** A step that was over begins once more: a further wash, portion or weighing. What was written before stays as its earlier round. */
export const again = entered({
  schema: ({ empty }) => empty,
  always: true,
  needsReason: 'say why it is done once more',
  refused: 'repeat',
  label: () => 'Once more',
  value: (_body, reason) => reason ?? '',
})

/** The group has read what it was asked before a step that cannot be taken back, and goes on. */
export const confirmed = entered({
  schema: ({ object, string }) => object({ question: string().min(1).max(1000).required() }),
  always: true,
  apart: true,
  refused: 'going on',
  label: () => 'Asked, and gone on',
  value: ({ question }, reason) => [question, reason].filter(Boolean).join(' '),
})

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
  schema: ({ object, array, named }) =>
    object({
      covers: array(named).min(1, 'a signature covers at least one reading').required(),
    }),
  writtenBy: 'a demonstrator',
  always: true,
  names: ({ covers }) => covers,
  refused: 'signature',
  label: () => 'Signature',
  value: nothing,
})
