import { entered } from './measurement'

/** What can happen in a laboratory that is more than a slip; what to do about each stands on the safety sheet and in the rules of the house. */
export const happenings = ['spill', 'cut', 'burn', 'splash in the eye', 'broken glass', 'fire', 'something else'] as const

/** A bench asks for a person. */
export const hand = entered({
  schema: ({ object, string }) => object({ text: string().trim().max(200).defined() }),
  always: true,
  apart: true,
  aside: ['text'],
  refused: 'call',
  label: () => 'Hand up',
  value: ({ text }) => text,
})

/** Something happened: what, to whom, and in words. */
export const incident = entered({
  schema: ({ object, string }) =>
    object({
      what: string().oneOf(happenings).required(),
      who: string().trim().max(80).defined(),
      text: string().trim().max(400).defined(),
    }),
  always: true,
  apart: true,
  aside: ['who', 'text'],
  refused: 'incident',
  label: () => 'Something happened',
  value: ({ what, who, text }) => [what, who, text].filter(Boolean).join('; '),
})

/** A demonstrator says something to a bench. */
export const message = entered({
  schema: ({ object, string }) => object({ text: string().trim().min(1, 'nothing is said').max(400).required() }),
  writtenBy: 'a demonstrator',
  always: true,
  apart: true,
  aside: ['text'],
  refused: 'note',
  label: () => 'Note from the demonstrator',
  value: ({ text }) => text,
})

/** Somebody has seen to a call: a bench has read a note, a person has been at the bench. */
export const answer = entered({
  schema: ({ object, string, named }) => object({ of: named, text: string().trim().max(400).defined() }),
  writtenBy: 'both',
  always: true,
  apart: true,
  aside: ['text'],
  names: ({ of }) => [of],
  refused: 'answer',
  label: () => 'Seen to',
  value: ({ text }) => text,
})
