import { blanksOf, contextOf } from '../../operations/planners'
import { operationIn } from '../../operations/registry'
import { methodIn, tubeNames, tubesOf, type TestBlanks } from '../../operations/test/planner'
import type { Tube } from '../../operations/test/testPanel'
import type { Plan } from '../../plan/plan'
import { reactionTable } from '../../reaction/reactionTable'
import type { Judgement } from '../../result/judge'
import type { Entry } from '../../run/entry'
import { printed } from '../../words/words'
import type { Folded } from '../foldClass'

/** A panel of tests for the class: tubes down, groups across, and how long the sign took. */
export interface TestPanel {
  step: string
  title: string
  watchMin: number
  tubes: (Tube & { name: string; unexpected: number })[]
  benches: { bench: number; judgement: Judgement | null; cells: TubeSeen[] }[]
}

export interface TubeSeen {
  seen: 'sign' | 'none' | null
  /** From the start of its stopwatch, s; null where it was not started. */
  afterS: number | null
  warmed: boolean
  /** As the plan expects it; null while nothing is written. */
  expected: boolean | null
}

/** The tests of a plan with what every bench has seen. */
export function testPanels(plan: Plan, folded: readonly Folded[]): TestPanel[] {
  const table = reactionTable(plan)
  return plan.steps.flatMap((step): TestPanel[] => {
    if (operationIn(step)?.measures !== 'tubes') return []
    const blanks = blanksOf<TestBlanks>(contextOf(plan, table, step))
    const [names, tubes] = [tubeNames(blanks), tubesOf(blanks)]
    const benches = folded.map(({ run, state, results }) => {
      const entries = (state.steps.find(({ step: { id } }) => id === step.id)?.standing ?? []).filter(
        ({ kind }) => kind === 'tube',
      ) as Entry<'tube'>[]
      return {
        bench: run.bench,
        judgement: results.outcomes.find(({ quantity, sample }) => quantity === 'test' && sample === step.id)?.judgement ?? null,
        cells: tubes.map((tube, index) =>
          seenIn(
            entries.filter(({ body }) => body.tube === names[index]),
            tube,
          ),
        ),
      }
    })
    return [
      {
        step: step.id,
        title: printed(step.title),
        watchMin: methodIn(blanks).watchMin,
        tubes: tubes.map((tube, index) => ({
          ...tube,
          name: names[index]!,
          unexpected: benches.filter(({ cells }) => cells[index]!.expected === false).length,
        })),
        benches,
      },
    ]
  })
}

function seenIn(entries: readonly Entry<'tube'>[], { expect }: Tube): TubeSeen {
  const end = entries.findLast(({ body }) => body.event === 'sign' || body.event === 'none')
  const start = entries.findLast(({ body, at }) => (body.event === 'start' || body.event === 'warm') && (!end || at <= end.at))
  const seen = end ? (end.body.event as 'sign' | 'none') : null
  return {
    seen,
    afterS: end && start ? Math.round((Date.parse(end.at) - Date.parse(start.at)) / 1000) : null,
    warmed: start?.body.event === 'warm',
    expected: seen === null ? null : (seen === 'sign') === (expect === 'positive'),
  }
}
