import { printed } from '../words/words'
import type { StepState } from './stepState'
import type { Mark } from './entry'

/** A clock that runs: what it is for, when it began, and when it is due; a clock without an end counts up. */
export interface Clock {
  step: string
  label: string
  from: string
  dueAt: string | null
}

/** When a step's mark was pressed (the standing press), or null. */
export function markedAt(step: Pick<StepState, 'standing'>, mark: Mark): string | null {
  return step.standing.findLast((entry) => entry.kind === 'press' && entry.body.mark === mark)?.at ?? null
}

/**
 * The clocks of a run. Under reflux the time counts from the onset (first steady drops from the condenser), never from heat-on;
 * before the onset a clock shows how long the heat has been on.
 */
export function clocksOf(steps: readonly StepState[]): Clock[] {
  return steps.flatMap((state): Clock[] => {
    const { step } = state
    if (state.status === 'done') return []
    if (step.kind === 'reflux') {
      const [heat, onset] = [markedAt(state, 'heat-on'), markedAt(state, 'onset')]
      if (onset) return [{ step: step.id, label: 'left under reflux', from: onset, dueAt: after(onset, step.holdMin) }]
      return heat ? [{ step: step.id, label: 'heat on, no reflux yet', from: heat, dueAt: null }] : []
    }
    if (step.kind === 'hold') {
      const start = markedAt(state, 'start')
      return start
        ? [{ step: step.id, label: `left: ${printed(step.title).toLowerCase()}`, from: start, dueAt: after(start, step.holdMin) }]
        : []
    }
    return []
  })
}

function after(at: string, minutes: number): string {
  return new Date(Date.parse(at) + minutes * 60_000).toISOString()
}
