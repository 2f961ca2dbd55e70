import { retention, uRetention } from '../../measurements/spots'
import { operationIn } from '../../operations/registry'
import type { Plan } from '../../plan/plan'
import type { Entry } from '../../run/entry'
import { printed } from '../../words/words'
import type { Folded } from '../foldClass'

/** The plates of a step side by side, each spot by its retention factor. */
export interface SpotPanel {
  step: string
  title: string
  benches: { bench: number; spots: { of: string; rf: number; u: number }[] }[]
}

/** The plates of every step that runs one, the last that stands of each bench. */
export function spotPanels(plan: Plan, folded: readonly Folded[]): SpotPanel[] {
  return plan.steps.flatMap((step): SpotPanel[] => {
    if (operationIn(step)?.measures !== 'spots') return []
    const benches = folded.flatMap(({ run, state }) => {
      const standing = state.steps.find(({ step: { id } }) => id === step.id)?.standing ?? []
      const plate = standing.findLast(({ kind }) => kind === 'spots') as Entry<'spots'> | undefined
      if (!plate) return []
      const { frontMM, spots } = plate.body
      return [
        {
          bench: run.bench,
          spots: spots.map(({ of, mm }) => ({ of, rf: retention(mm, frontMM), u: uRetention(mm, frontMM) })),
        },
      ]
    })
    return benches.length === 0 ? [] : [{ step: step.id, title: printed(step.title), benches }]
  })
}
