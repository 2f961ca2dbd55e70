import { substanceOfSample } from '../../plan/plan'
import { written } from '../../quantity/figure'
import { writeNumber } from '../../quantity/write'
import type { Entry } from '../../run/entry'
import type { Quantity } from '../outcome'
import { stepsThatMeasure } from './boilingRange'

/** The purity of a sample that was sent away, as it came back. */
export const purityOf: Quantity = {
  id: 'purity',
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
    const entry = state?.standing.findLast(({ kind }) => kind === 'purity') as Entry<'purity'> | undefined
    if (!entry) return null
    const { percent, decimals, by } = entry.body
    const text = `${writeNumber(percent, decimals)} %`
    return {
      figure: written(percent, decimals),
      unit: '%',
      text,
      evidence: [entry.id],
      judgement: { level: 'open', words: `By ${by}`, evidence: `${text} by ${by}.` },
    }
  },
}
