import type { RunState } from './foldRun'

/** Less than this nobody is behind: steps are planned to the quarter of an hour. */
const fromMin = 15

/**
 * How far a bench is behind its plan, min: what has gone by since the day began for it, less what the steps that it has done take as a rule, less that of the step it is in. Null where it is not behind, or has not
 * begun today. A pause that ends a day begins the count anew.
 * @param startsAt when the session of the day begins, ISO
 */
export function behindMin(run: RunState, startsAt: string, nowMs: number): number | null {
  const { steps, now } = run
  const day = steps.slice(0, now).findLastIndex(({ step }) => step.kind === 'pause' && step.endsDay) + 1
  const today = steps.slice(day)
  const begun = today.flatMap(({ startedAt }) => (startedAt === null ? [] : [Date.parse(startedAt)]))
  if (now >= steps.length || begun.length === 0) return null
  const from = Math.max(Date.parse(startsAt), Math.min(...begun))
  const planned = steps
    .slice(day, now + 1)
    .reduce((sum, { step, putIn, skipped }) => sum + (putIn || skipped !== null ? 0 : step.handsOnMin + step.waitMin), 0)
  const late = (nowMs - from) / 60_000 - planned
  return late >= fromMin ? Math.round(late) : null
}
