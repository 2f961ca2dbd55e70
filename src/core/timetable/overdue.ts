import type { RunState } from '../run/foldRun'
import { stepMinutes, type Logged } from './stepMinutes'

/** From the heat to the first steady drops a small flask takes some ten minutes; beyond this something is not right. A choice of ours, not compared with a source. */
const longestHeatingUpMin = 20

export interface Overdue {
  why: 'heat without reflux' | 'over its usual span' | 'clock over'
  /** By how many minutes; of heat without reflux since when it is on. */
  min: number
}

/**
 * Whether what a bench is in now takes longer than it should: its clock is over, the heat is on without reflux, or the step has gone on for longer than its usual span. Null where it is in time, or has not begun it.
 * @param logged how long steps took in earlier classes
 */
export function overdue(state: RunState, nowMs: number, logged: Readonly<Record<string, Logged>> = {}): Overdue | null {
  const current = state.steps[state.now]
  if (!current || (state.joined && !state.joined.here)) return null
  const minutesSince = (iso: string) => Math.floor((nowMs - Date.parse(iso)) / 60_000)
  const clock = state.clocks.find(({ step, own }) => step === current.step.id && own === undefined)
  if (clock?.dueAt) return Date.parse(clock.dueAt) < nowMs ? { why: 'clock over', min: minutesSince(clock.dueAt) } : null
  const { hands, wait } = stepMinutes(current.step, logged[current.step.id])
  if (clock) {
    const min = minutesSince(clock.from)
    return min > Math.max(longestHeatingUpMin, hands.most) ? { why: 'heat without reflux', min } : null
  }
  // A day that ends here, or a place to stop, waits as long as it waits.
  if (current.startedAt === null || current.step.kind === 'pause') return null
  const over = minutesSince(current.startedAt) - Math.ceil(hands.most + wait.most)
  return over > 0 ? { why: 'over its usual span', min: over } : null
}

/** The gravest first, for who walks round: by why, then by how long. */
export const overdueOrder = (one: Overdue | null, other: Overdue | null): number => {
  const rank = (each: Overdue | null) =>
    each === null ? 3 : each.why === 'heat without reflux' ? 0 : each.why === 'clock over' ? 1 : 2
  return rank(one) - rank(other) || (other?.min ?? 0) - (one?.min ?? 0)
}
