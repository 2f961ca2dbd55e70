import { uncapital } from '../words/capital'
import { writeMinutes } from '../plan/duration'
import { printed } from '../words/words'
import { over } from './due'
import type { Measurement } from './measurement'
import { markedAt } from './press'

/** How long something is held: a press begins it, the group says that it is over. */
export const clock: Measurement = {
  written: () => 'start and end of the clock',
  marks: ['start'],
  due: (taken) => {
    const { step } = taken
    if (markedAt(taken, 'start')) return { ...over(step.until, 'It is over'), ends: true }
    const minutes = step.kind === 'hold' ? step.holdMin : 0
    return { kind: 'press', mark: 'start', label: 'Start the clock', hint: writeMinutes(minutes) }
  },
  clock: (taken) => {
    const from = markedAt(taken, 'start')
    if (!from || taken.step.kind !== 'hold') return null
    return { label: `left: ${uncapital(printed(taken.step.title))}`, from, minutes: taken.step.holdMin }
  },
}
