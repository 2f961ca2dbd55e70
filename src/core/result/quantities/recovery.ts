import { lineOf, substanceOf, substanceOfSample, type Plan } from '../../plan/plan'
import { over } from '../../quantity/figure'
import { computedLine } from '../../reaction/reactionTable'
import type { Quantity } from '../outcome'
import { percent } from './percent'

/** Purifications of a plan: from which sample, to which. */
const purified = (plan: Plan) => plan.steps.flatMap((step) => (step.kind === 'crystallise' ? [step] : []))

/** What came back of what was put in, and of a crude sample what a crystallisation gave back. Never a yield. */
export const recovery: Quantity = {
  id: 'recovery',
  by: 'weigh',
  asked: (plan) => [
    ...(plan.recoveries ?? []).map(({ sample, product, of }) => ({
      sample,
      of: substanceOf(plan, lineOf(plan, product)).name,
      from: `${substanceOf(plan, lineOf(plan, of)).name} put in`,
      counts: { line: of },
    })),
    ...purified(plan).map(({ from, to }) => ({
      sample: to,
      of: substanceOfSample(plan, to)?.name ?? to,
      from: `${from} product`,
      counts: { sample: from },
    })),
  ],
  measure: (run, base, { sample, counts }) => {
    const weighed = run.samples[sample]
    if (!weighed) return null
    const back = base.recovered.find((each) => each.recovery.sample === sample)
    if (back && counts && 'line' in counts) {
      const whole = computedLine(base.table, back.recovery.of).mass
      if (!whole) return null
      return percent(run, sample, {
        fraction: over(weighed.mass, whole),
        whole,
        dry: weighed.dry,
        mass: weighed.mass,
        judgement: back.judgement,
      })
    }
    const crude = counts && 'sample' in counts ? run.samples[counts.sample] : undefined
    if (!crude) return null
    return percent(run, sample, {
      fraction: over(weighed.mass, crude.mass),
      whole: crude.mass,
      dry: weighed.dry,
      mass: weighed.mass,
    })
  },
}
