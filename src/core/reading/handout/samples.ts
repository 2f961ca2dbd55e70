import type { Step } from '../../plan/plan'

/** The sample that a step is about, as the text goes on: crude before it is purified. */
export interface Samples {
  last: string
  dry: boolean
  purified: number
}

/** The step with the samples that it is about. */
export function withSamples(step: Step, said: string, samples: Samples): Step {
  switch (step.kind) {
    case 'weigh':
      return { ...step, sample: samples.last, dry: samples.dry && !/\b(?:damp|wet|crude)\b/i.test(said) }
    case 'dry':
      samples.dry = true
      return { ...step, sample: samples.last }
    case 'melt':
      return { ...step, sample: samples.last }
    case 'crystallise': {
      samples.purified += 1
      const to = samples.purified === 1 ? 'purified' : `purified-${samples.purified}`
      const next = { ...step, from: samples.last, to }
      samples.last = to
      samples.dry = false
      return next
    }
    default:
      return step
  }
}
