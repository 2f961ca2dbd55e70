import { object, string } from 'yup'
import { measuredAs, measurement, nothing } from './measurement'

const events = {
  start: 'stopwatch started',
  /** The stopwatch starts again for a second pass. */
  warm: 'warmed, stopwatch started again',
  sign: 'the sign is seen',
  none: 'no sign',
} as const

/** A tube of a panel of tests: its stopwatch starts, starts again when it is warmed, or its sign is seen, which may be none. */
export const tube = measurement({
  schema: object({
    tube: string().min(1).max(80).required(),
    event: string()
      .oneOf(Object.keys(events) as (keyof typeof events)[])
      .required(),
  }),
  refuses: measuredAs('tubes', 'sign of a tube'),
  label: (body) => `${body.tube}: ${events[body.event]}`,
  value: nothing,
})
