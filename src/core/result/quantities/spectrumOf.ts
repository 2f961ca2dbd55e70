import { substanceOfSample } from '../../plan/plan'
import type { Entry } from '../../run/entry'
import type { Quantity } from '../outcome'
import { stepsThatMeasure } from './boilingRange'

/** What an instrument showed of a sample that was sent away. It is told as it was read: to assign it is for people. */
export const spectrumOf: Quantity = {
  id: 'spectrum',
  by: 'send',
  asked: (plan) =>
    stepsThatMeasure(plan, 'slot').map(({ sample }) => ({
      sample,
      of: substanceOfSample(plan, sample)?.name ?? sample,
      from: '',
    })),
  measure: (run, _base, { sample }) => {
    const found = stepsThatMeasure(run.plan, 'slot').find((each) => each.sample === sample)
    const state = run.steps.find(({ step }) => step.id === found?.step.id)
    const entry = state?.standing.findLast(({ kind }) => kind === 'spectrum') as Entry<'spectrum'> | undefined
    if (!entry) return null
    const { text, by } = entry.body
    return {
      text,
      unit: '',
      evidence: [entry.id],
      judgement: { level: 'open', words: `By ${by}`, evidence: `${text}, by ${by}.` },
    }
  },
}
