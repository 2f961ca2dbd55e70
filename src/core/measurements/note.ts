import { object, string } from 'yup'
import { capital } from '../words/capital'
import { measuredAs, measurement } from './measurement'

/** A few words: the slot of a sample. */
export const note = measurement({
  schema: object({ slot: string().min(1).max(40).required(), text: string().trim().min(1).max(200).required() }),
  refuses: measuredAs('slot', 'slot of a vial'),
  label: ({ slot }) => capital(slot),
  value: ({ text }) => text,
})
