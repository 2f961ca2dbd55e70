import { substanceOfSample, type Plan } from '../../plan/plan'
import type { Entry } from '../../run/entry'
import type { RunState } from '../../run/foldRun'
import type { Asked } from '../outcome'
import { stepsThatMeasure } from './boilingRange'

/** The samples of a plan that are sent away. */
export const sentAway = (plan: Plan): Asked[] =>
  stepsThatMeasure(plan, 'slot').map(({ sample }) => ({
    sample,
    of: substanceOfSample(plan, sample)?.name ?? sample,
    from: '',
  }))

/** What came back of one of them, the last that stands. */
export function cameBack<K extends 'purity' | 'spectrum'>(run: RunState, sample: string, kind: K): Entry<K> | undefined {
  const found = stepsThatMeasure(run.plan, 'slot').find((each) => each.sample === sample)
  const state = run.steps.find(({ step }) => step.id === found?.step.id)
  return state?.standing.findLast((entry) => entry.kind === kind) as Entry<K> | undefined
}
