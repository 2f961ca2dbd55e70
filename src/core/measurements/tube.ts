import { entered, nothing, type Measurement } from './measurement'

const events = {
  start: 'stopwatch started',
  /** The stopwatch starts again for a second pass. */
  warm: 'warmed, stopwatch started again',
  sign: 'the sign is seen',
  none: 'no sign',
} as const

/** A tube of a panel of tests: its stopwatch starts, starts again when it is warmed, or its sign is seen, which may be none. */
export const tube = entered({
  schema: ({ object, string }) =>
    object({
      tube: string().min(1).max(80).required(),
      event: string()
        .oneOf(Object.keys(events) as (keyof typeof events)[])
        .required(),
    }),
  refused: 'sign of a tube',
  label: (body) => `${body.tube}: ${events[body.event]}`,
  value: nothing,
})

/** What each tube of a panel shows, and when. */
export const tubes: Measurement = {
  written: () => 'what each tube shows',
  kinds: ['tube'],
  due: () => ({
    kind: 'tubes',
    label: 'The tubes',
    hint: 'Start all of them together. Write for each when its sign is seen, or that none came.',
  }),
}
