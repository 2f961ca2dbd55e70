import { entered } from './measurement'

/** What can happen in a laboratory that is more than a slip, each with first aid of its own (`reference/firstAid`). */
export const happenings = [
  'heat burn',
  'chemical on the skin',
  'chemical in the eye',
  'swallowed',
  'breathed in',
  'cut',
  'fire',
  'spill',
  'something else',
] as const
export type Happening = (typeof happenings)[number]

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
      /** Of a spill: what it is, and about how much. */
      substance: string().trim().max(120),
      amount: string().trim().max(60),
    }),
  always: true,
  apart: true,
  aside: ['who', 'text'],
  refused: 'incident',
  label: () => 'Something happened',
  value: ({ what, substance, amount, who, text }) => [what, substance, amount, who, text].filter(Boolean).join('; '),
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
