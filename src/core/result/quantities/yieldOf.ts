import { isProduct, lineOf, lineOfSample, productSample, substanceOf, weighedSamples, type Plan } from '../../plan/plan'
import { over } from '../../quantity/figure'
import { computedLine, type ReactionTable } from '../../reaction/reactionTable'
import { limitingNames } from '../../reaction/working'
import type { Quantity } from '../outcome'
import { percent } from './percent'

/** What a theory is counted from: an intermediate's comes from the reference line, since what is put in after it does not limit it. */
const theoryFrom = (plan: Plan, line: string, table: ReactionTable): string =>
  lineOf(plan, line).role === 'intermediate' ? substanceOf(plan, lineOf(plan, plan.reference)).name : limitingNames(plan, table)

/** What formed, of what theory allows from what was really charged: of every sample that is made of a product. */
export const yieldOf: Quantity = {
  id: 'yield',
  by: 'weigh',
  asked: (plan) =>
    weighedSamples(plan).flatMap((sample) => {
      const line = lineOfSample(plan, sample)
      if (line === undefined || !isProduct(lineOf(plan, line))) return []
      return [{ sample, of: substanceOf(plan, lineOf(plan, line)).name, from: 'theory' }]
    }),
  measure: (run, base, { sample }) => {
    const weighed = run.samples[sample]
    const line = lineOfSample(run.plan, sample)
    const whole = line === undefined ? null : computedLine(base.table, line).mass
    if (!weighed || !whole) return null
    const isMain = base.kind === 'yield' && sample === productSample(run.plan)
    return {
      ...percent(run, sample, {
        fraction: over(weighed.mass, whole),
        whole,
        dry: weighed.dry,
        mass: weighed.mass,
        judgement: isMain ? base.judgement : null,
      }),
      from: `theory from ${theoryFrom(run.plan, line!, base.table)}`,
    }
  },
}
