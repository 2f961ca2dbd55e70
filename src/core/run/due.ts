import { besides, type Beside } from '../measurements/besides'
import type { Due, NumberDue } from '../measurements/due'
import { besidesIn, measurementIn } from '../operations/readings'
import type { StepState } from './stepState'

export type { Due }

/** What is due in a step, given its standing entries and the way of measuring chosen; null when nothing more is. */
export const dueIn = (state: StepState, way?: string): Due | null =>
  state.status === 'done' ? null : measurementIn(state.step).due(state, way)

/** The ways in which this step may be measured, the recommended one first, and what they are called; null where there is no choice. */
export function waysIn({ step }: StepState): { words: string; ways: readonly { key: string; words: string }[] } | null {
  const { ways, waysOf = '' } = measurementIn(step)
  const all = ways?.(step) ?? []
  return all.length > 1 ? { words: waysOf, ways: all } : null
}

/** What may be written besides, at any moment while something is heated, cooled, held, added or distilled; empty where nothing is, or before its clock runs. */
export function besidesDue(state: StepState): { slot: Beside; words: string; due: NumberDue }[] {
  const { clock } = measurementIn(state.step)
  if (clock && !clock(state)) return []
  return besidesIn(state.step).map((slot) => ({ slot, words: besides[slot].words, due: besides[slot].due(state.standing) }))
}
