import { over, plus } from '../../quantity/figure'
import { computedLine } from '../../reaction/reactionTable'
import { lineOf, substanceOf, type Plan } from '../../plan/plan'
import { writeNumber } from '../../quantity/write'
import type { Quantity } from '../outcome'
import { percent } from './percent'

/** More than was put in by this much is more than a balance can be wrong. */
const most = 1.02

/** Mixtures of which more than one part is got back: their lines. */
const mixtures = (plan: Plan): string[] => {
  const all = (plan.recoveries ?? [])
    .map(({ product }) => lineOf(plan, product).anchor)
    .flatMap((anchor) => (anchor?.of === 'share' ? [anchor.line] : []))
  return [...new Set(all)].filter((line) => all.filter((each) => each === line).length > 1)
}

/** All that came back of a mixture that was put in. */
export const massBalance: Quantity = {
  id: 'mass balance',
  by: 'weigh',
  asked: (plan) =>
    mixtures(plan).map((line) => ({
      sample: '',
      of: substanceOf(plan, lineOf(plan, line)).name,
      from: 'what was put in',
      counts: { line },
    })),
  measure: (run, base, { counts }) => {
    if (!counts || !('line' in counts)) return null
    const { line } = counts
    const parts = (run.plan.recoveries ?? []).filter(({ product }) => {
      const { anchor } = lineOf(run.plan, product)
      return anchor?.of === 'share' && anchor.line === line
    })
    const weighed = parts.map(({ sample }) => run.samples[sample])
    const whole = computedLine(base.table, line).mass
    if (!whole || weighed.some((each) => !each)) return null
    const mass = weighed.map((each) => each!.mass).reduce(plus)
    const fraction = over(mass, whole)
    const dry = weighed.every((each) => each!.dry)
    return {
      ...percent(run, '', { fraction, whole, dry, mass }),
      evidence: run.steps
        .filter(({ step }) => 'sample' in step && parts.some(({ sample }) => sample === step.sample))
        .flatMap(({ standing }) => standing.map(({ id }) => id)),
      judgement: {
        level: fraction.value > most ? 'danger' : 'open',
        words: fraction.value > most ? 'More than was put in' : `${writeNumber(100 * fraction.value, 0)} % accounted for`,
        evidence: `${parts.length} parts together, of what was put in${dry ? '' : '; not all of it is dry'}.`,
      },
    }
  },
}
