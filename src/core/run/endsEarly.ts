import { measurementIn } from '../operations/readings'
import { writeNumber } from '../quantity/write'
import type { StepState } from './stepState'

/** A hold that has run for less than this share of its time is asked about before it is ended. */
const early = 0.8

/** The question before a clock is ended far before its time; null where its time is up or nearly so, and where none runs. */
export function endsEarly(state: StepState, nowMs: number): string | null {
  const running = measurementIn(state.step).clock?.(state)
  if (!running || running.minutes === null || running.minutes <= 0) return null
  const minutes = Math.max(0, (nowMs - Date.parse(running.from)) / 60_000)
  if (minutes >= early * running.minutes) return null
  return `It has run ${Math.floor(minutes)} of ${writeNumber(running.minutes, 0)} min. Is it over all the same?`
}
