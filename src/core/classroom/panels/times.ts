import type { Plan } from '../../plan/plan'
import { median } from '../../quantity/median'
import { printed } from '../../words/words'
import type { Folded } from '../foldClass'

/** How long each step took at each bench. */
export interface TimePanel {
  steps: { id: string; title: string; plannedMin: number; medianMin: number | null; minutes: (number | null)[] }[]
  benches: { bench: number; allMin: number | null }[]
}

/** A step that ended a night after it began did not take the night. */
const sameDayMin = 12 * 60

/** From the end of the step before to the end of each step, by the clocks of the benches: that is what a step took, with the walking between. */
export function timesOf(plan: Plan, folded: readonly Folded[]): TimePanel {
  const ends = folded.map(({ state }) => {
    const first = state.steps.flatMap(({ startedAt }) => startedAt ?? []).sort()[0]
    let before = first === undefined ? null : Date.parse(first)
    const took = new Map<string, number>()
    for (const { step, status, endedAt } of state.steps) {
      if (status !== 'done' || endedAt === null) continue
      const end = Date.parse(endedAt)
      const minutes = before === null ? 0 : (end - before) / 60_000
      // What was done out of turn ended before the step before it: nobody can say how long it took.
      if (minutes >= 0 && minutes < sameDayMin) took.set(step.id, minutes)
      before = Math.max(before ?? end, end)
    }
    return took
  })
  return {
    steps: plan.steps.map(({ id, title, handsOnMin, waitMin }) => {
      const minutes = ends.map((took) => took.get(id) ?? null)
      const known = minutes.filter((each): each is number => each !== null)
      return {
        id,
        title: printed(title),
        plannedMin: handsOnMin + waitMin,
        medianMin: known.length > 0 ? median(known) : null,
        minutes,
      }
    }),
    benches: folded.map(({ run }, index) => {
      const all = [...ends[index]!.values()]
      return { bench: run.bench, allMin: all.length > 0 ? all.reduce((sum, each) => sum + each, 0) : null }
    }),
  }
}
