import { entered } from './measurement'

/** What an instrument showed of a sample that was sent away, in the words of who read it: bands, shifts, masses. */
export const spectrum = entered({
  schema: ({ object, string }) =>
    object({
      /** What was read: `1720, 1600 cm⁻¹`. */
      text: string().trim().min(1).max(400).required(),
      by: string().trim().min(1).max(80).required(),
    }),
  shown: true,
  writtenBy: 'a demonstrator',
  refused: 'result of an instrument',
  label: ({ by }) => `Read by ${by}`,
  value: ({ text }) => text,
})
