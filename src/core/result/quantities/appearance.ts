import { substanceOfSample, weighedSamples } from '../../plan/plan'
import type { Entry } from '../../run/entry'
import { valueOf } from '../../measurements/registry'
import type { Quantity } from '../outcome'

/** How a sample looks, as it was seen where it is weighed or dried last: told in the group's own words. */
export const appearance: Quantity = {
  id: 'appearance',
  by: 'weigh',
  // Only where a plan names it: of everything that is weighed somebody sees something.
  asked: (plan) =>
    weighedSamples(plan)
      .filter((sample) => plan.wants?.some((want) => want.quantity === 'appearance' && (want.sample ?? sample) === sample))
      .map((sample) => ({ sample, of: substanceOfSample(plan, sample)?.name ?? sample, from: '' })),
  measure: (run, _base, { sample }) => {
    const entry = run.steps
      .filter(({ step }) => (step.kind === 'weigh' || step.kind === 'dry') && step.sample === sample)
      .flatMap(({ earlier, standing }) => [...earlier, ...standing])
      .findLast((each): each is Entry<'observation'> => each.kind === 'observation')
    if (!entry) return null
    const text = valueOf(entry) || 'a picture'
    return { text, unit: '', evidence: [entry.id], judgement: { level: 'open', words: 'As it was seen', evidence: `${text}.` } }
  },
}
