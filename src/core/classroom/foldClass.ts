import type { Plan } from '../plan/plan'
import { runResults, type RunResults } from '../result/runResults'
import type { Entry } from '../run/entry'
import { foldRun, type RunState } from '../run/foldRun'

/** A run as its results are drawn from. */
export interface RunOfClass {
  id?: string
  bench: number
  members: string
  scale: number
  entries: readonly Entry[]
  /** What the group got of the preparations before, as fractions. */
  before?: readonly { title: string; fraction: number }[]
}

/** A run with its state and its results, worked out once for all that is drawn from them. */
export interface Folded {
  run: RunOfClass
  state: RunState
  results: RunResults
}

/** Every run of a class with its state and results. */
export const foldClass = (plan: Plan, runs: readonly RunOfClass[]): Folded[] =>
  runs.map((run) => {
    const state = foldRun(plan, run.scale, run.entries)
    return { run, state, results: runResults(state) }
  })
