import { writeMinutes } from '../plan/duration'
import { entered } from './measurement'

/** A clock of the group's own: it counts down, up where it has no minutes, or rings again and again. */
export const timer = entered({
  schema: ({ object, string, boolean, finite }) =>
    object({
      label: string().trim().min(1, 'say what the clock is for').max(60).required(),
      /** For how long, or how often it rings; absent where it counts up. */
      minutes: finite
        .min(0.1, 'a clock runs for 0.1 min at the least')
        .max(2880, 'a clock runs for two days at the most')
        .optional(),
      /** It rings every so many minutes until it is stopped. */
      repeats: boolean().strict().isTrue().optional(),
    }).test(
      'repeats-what',
      'a clock that rings again needs its minutes',
      ({ minutes, repeats }) => !repeats || minutes !== undefined,
    ),
  always: true,
  apart: true,
  aside: ['label'],
  refused: 'clock',
  label: ({ label }) => `Clock: ${label}`,
  value: ({ minutes, repeats }) => (minutes === undefined ? 'counts up' : `${repeats ? 'every ' : ''}${writeMinutes(minutes)}`),
})

/** A clock of the group's own is stopped. */
export const stopped = entered({
  schema: ({ object, named }) => object({ of: named }),
  always: true,
  apart: true,
  names: ({ of }) => [of],
  refused: 'end of a clock',
  label: () => 'Clock stopped',
  value: () => '',
})
