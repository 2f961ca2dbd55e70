import { capital } from '../words/capital'
import { over } from './due'
import { uses } from './uses'
import { entered, ofKind, type Measurement } from './measurement'

/** A few words: the slot of a sample, and what it is for. */
export const note = entered({
  schema: ({ object, string }) =>
    object({
      slot: string().min(1).max(40).required(),
      text: string().trim().min(1).max(200).required(),
      for: string().oneOf(uses).optional(),
    }),
  refused: 'slot of a vial',
  label: ({ slot }) => capital(slot),
  value: ({ text, for: use }) => [text, use && `for ${use}`].filter(Boolean).join(', '),
})

/** The slot on the tray by which what is found of a vial comes back, days later. */
export const slot: Measurement = {
  written: () => 'slot of the vial',
  kinds: ['note', 'purity', 'spectrum'],
  due: ({ step, standing }) =>
    ofKind(standing, 'note').length > 0
      ? over(step.until)
      : {
          kind: 'words',
          slot: 'sample slot',
          label: 'Slot of our vial',
          hint: 'As it stands on the tray, for example A3. Results come back by it.',
          example: 'as it stands on the tray, for example A3',
          uses,
        },
}
