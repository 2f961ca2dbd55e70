import { sampleBefore } from '../made'
import { ofPlan, planner, unknown } from '../planner'
import { blank, named } from '../fields'

const fields = [
  named('sample', 'sample', 'samples'),
  blank('literature', 'index on record at 20 °C', '', 0, 1.9, 'an index that is not known'),
] as const

/** The refractive index of a sample, and what it is compared with. */
export const takingIndex = planner({
  of: 'refract',
  title: 'Refractive index',
  sentences: (say) => [say`Read the index of ${'sample'}; on record it is ${'literature'}.`],
  fields,
  suggest: ({ plan, step }) => ({
    sample: ofPlan(sampleBefore(plan, step.id), 'the sample that was weighed last before it'),
    literature: unknown(0, 'no index is on record: type it from your source'),
  }),
  report: () => ({ facts: [], advice: [] }),
})
