import { boilsAt, handbookK, decimalsWorth, worth } from '../../substance/boilsAt'
import { operationIn } from '../../operations/registry'
import { substanceOfSample, type Step } from '../../plan/plan'
import { typedFor } from '../../plan/typedFor'
import { sampleBefore } from '../../operations/made'
import type { Plan } from '../../plan/plan'
import { readTo } from '../../quantity/figure'
import { writeNumber } from '../../quantity/write'
import type { Entry } from '../../run/entry'
import { evidenceIn, type Quantity } from '../outcome'

/** As wide, and as far from where it boils on record, as a pure liquid may be read in a teaching laboratory, K. */
const allowedK = 2

/** The sample that a step of this plan measures: typed there, or the one that was weighed before it. */
export const sampleIn = (plan: Plan, step: Step): string => String(typedFor(step).sample ?? sampleBefore(plan, step.id))

/** The steps that measure something, with the samples that they measure. */
export const stepsThatMeasure = (plan: Plan, what: string) =>
  plan.steps.flatMap((step) => (operationIn(step)?.measures === what ? [{ step, sample: sampleIn(plan, step) }] : []))

/** The boiling range of a sample, compared with where its substance boils under the pressure that it was read at. */
export const boilingRange: Quantity = {
  id: 'boiling range',
  by: 'boil',
  asked: (plan) =>
    stepsThatMeasure(plan, 'boiling range').map(({ sample }) => ({
      sample,
      of: substanceOfSample(plan, sample)?.name ?? sample,
      from: '',
    })),
  measure: (run, _base, { sample }) => {
    const found = stepsThatMeasure(run.plan, 'boiling range').find((each) => each.sample === sample)
    const state = run.steps.find(({ step }) => step.id === found?.step.id)
    const entry = state?.standing.findLast(({ kind }) => kind === 'boiling') as Entry<'boiling'> | undefined
    if (!entry) return null
    const { lowC, highC, decimals, mmHg } = entry.body
    const substance = substanceOfSample(run.plan, sample)
    const here = substance && boilsAt(substance, mmHg ?? 760)
    const text = `${writeNumber(lowC, decimals)}–${writeNumber(highC, decimals)} °C`
    const wide = highC - lowC > allowedK + 1e-9
    const off = here
      ? Math.max(here.atC - highC, lowC - here.atC) > allowedK + Math.max(0, here.plusMinusK - handbookK) + 1e-9
      : false
    return {
      figure: readTo(lowC, decimals),
      to: highC,
      unit: '°C',
      text,
      literature: here ? { low: here.atC, high: here.atC } : null,
      evidence: evidenceIn(run, (step) => step.id === found!.step.id),
      judgement: !here
        ? { level: 'open', words: 'Nothing to compare with', evidence: `Boils ${text}; what it boils at is not on record.` }
        : {
            level: wide || off ? 'doubt' : 'good',
            words: off
              ? 'Boils elsewhere: impure, or the thermometer'
              : wide
                ? 'Wide: more than one liquid?'
                : 'Consistent with pure',
            evidence: `Boils ${text}; ${substance.name} boils at ${writeNumber(here.atC, decimalsWorth(here.plusMinusK))} °C under ${writeNumber(mmHg ?? 760, 0)} mmHg, by its ${here.by}${worth(here.plusMinusK)}.`,
          },
    }
  },
}
