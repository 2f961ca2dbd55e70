import { writeNumber } from '../quantity/write'
import { markedAt } from './clocks'
import type { StepState } from './stepState'

/** A hold that has run for less than this share of its time is asked about before it is ended. */
const early = 0.8

/** The question before a hold or a reflux is ended far before its time; null where its time is up or nearly so. */
export function endsEarly(state: StepState, nowMs: number): string | null {
  const { step } = state
  if (step.kind !== 'hold' && step.kind !== 'reflux') return null
  const from = markedAt(state, step.kind === 'reflux' ? 'onset' : 'start')
  if (!from || step.holdMin <= 0) return null
  const minutes = Math.max(0, (nowMs - Date.parse(from)) / 60_000)
  if (minutes >= early * step.holdMin) return null
  return `It has run ${Math.floor(minutes)} of ${writeNumber(step.holdMin, 0)} min. Is it over all the same?`
}
