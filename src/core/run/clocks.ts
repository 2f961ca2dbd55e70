import { measurementIn } from '../operations/readings'
import type { StepState } from './stepState'

/** A clock that runs: what it is for, when it began, and when it is due; a clock without an end counts up. */
export interface Clock {
  step: string
  label: string
  from: string
  dueAt: string | null
}

/** The clocks of a run: those of the steps that are not over. */
export function clocksOf(steps: readonly StepState[]): Clock[] {
  return steps.flatMap((state): Clock[] => {
    const running = state.status === 'done' ? null : measurementIn(state.step).clock?.(state)
    if (!running) return []
    const { label, from, minutes } = running
    return [{ step: state.step.id, label, from, dueAt: minutes === null ? null : after(from, minutes) }]
  })
}

function after(at: string, minutes: number): string {
  return new Date(Date.parse(at) + minutes * 60_000).toISOString()
}
