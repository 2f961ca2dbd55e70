import { indexAt20C, indexPerThermometer } from '../../measurements/refraction'
import { substanceOfSample } from '../../plan/plan'
import { typedFor } from '../../plan/typedFor'
import { readTo } from '../../quantity/figure'
import { writeNumber } from '../../quantity/write'
import type { Entry } from '../../run/entry'
import { evidenceIn, type Quantity } from '../outcome'
import { stepsThatMeasure } from './boilingRange'

/** As far from the record as a pure liquid may be read on a teaching refractometer. */
const allowed = 0.001

/** The refractive index of a sample at 20 °C. */
export const refractiveIndex: Quantity = {
  id: 'refractive index',
  by: 'refract',
  asked: (plan) =>
    stepsThatMeasure(plan, 'refractive index').map(({ sample }) => ({
      sample,
      of: substanceOfSample(plan, sample)?.name ?? sample,
      from: '',
    })),
  measure: (run, _base, { sample }) => {
    const found = stepsThatMeasure(run.plan, 'refractive index').find((each) => each.sample === sample)
    const state = run.steps.find(({ step }) => step.id === found?.step.id)
    const entry = state?.standing.findLast(({ kind }) => kind === 'refraction') as Entry<'refraction'> | undefined
    if (!entry) return null
    const at20 = indexAt20C(entry.body)
    const literature = Number(typedFor(found!.step).literature ?? 0)
    const text = writeNumber(at20, entry.body.decimals)
    const read = `${writeNumber(entry.body.index, entry.body.decimals)} at ${writeNumber(entry.body.atC, 1)} °C is ${text} at 20 °C`
    return {
      figure: readTo(at20, entry.body.decimals, indexPerThermometer),
      unit: '',
      text,
      literature: literature > 0 ? { low: literature, high: literature } : null,
      evidence: evidenceIn(run, (step) => step.id === found!.step.id),
      judgement:
        literature > 0
          ? {
              level: Math.abs(at20 - literature) <= allowed + 1e-9 ? 'good' : 'doubt',
              words: Math.abs(at20 - literature) <= allowed + 1e-9 ? 'Consistent with pure' : 'Not its index: impure or wet?',
              evidence: `${read}; on record it is ${literature}.`,
            }
          : { level: 'open', words: 'Nothing to compare with', evidence: `${read}; the plan does not say what is on record.` },
    }
  },
}
