import { classShiftC, median, robustOutliers } from '@/core/classroom/classFigures'
import type { Plan } from '@/core/plan/plan'
import { runResults, type RunResults } from '@/core/result/runResults'
import { foldRun, type RunState } from '@/core/run/foldRun'
import type { BoardRun } from './Board'

export interface ResultRow {
  bench: number
  members: string
  scale: number
  /** What the group got of the preparations before. */
  before: NonNullable<BoardRun['before']>
  state: RunState
  results: RunResults
  /** True where the yield lies far outside the class. */
  outlier: boolean
}

/** The class's results bench by bench, with the figures of the class. */
export function resultRows(plan: Plan, runs: readonly BoardRun[], literatureHighC: number | undefined) {
  const folded = runs.map((run) => {
    const state = foldRun(plan, run.scale, run.entries)
    return {
      bench: run.bench,
      members: run.members,
      scale: run.scale,
      before: run.before ?? [],
      state,
      results: runResults(state),
    }
  })
  const yields = folded.flatMap(({ results }) => (results.result ? [results.result.figure.value] : []))
  const recoveries = folded.flatMap(({ results }) => (results.recovery ? [results.recovery.figure.value] : []))
  const outliers = robustOutliers(yields)
  let at = 0
  const rows: ResultRow[] = folded.map((row) => ({ ...row, outlier: row.results.result !== null && outliers[at++] === true }))
  return {
    rows,
    medianYield: yields.length > 0 ? median(yields) : null,
    medianRecovery: recoveries.length > 0 ? median(recoveries) : null,
    shiftC:
      literatureHighC === undefined
        ? null
        : classShiftC(
            rows.flatMap(({ results }) => results.melting?.clearC ?? []),
            literatureHighC,
          ),
  }
}
