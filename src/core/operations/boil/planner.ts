import { pressureMmHg } from '../../lab/lab'
import { substanceOfSample } from '../../plan/plan'
import { boilsAt, decimalsWorth, worth } from '../../substance/boilsAt'
import { sampleBefore } from '../made'
import { fact, ofPlan, planner, when } from '../planner'
import { named } from '../fields'

const fields = [named('sample', 'sample', 'samples')] as const

/** The boiling range of a sample: what is on record, put at the pressure of this laboratory. */
export const takingBoilingRange = planner({
  of: 'boil',
  title: 'Boiling range',
  sentences: (say) => [say`Read the boiling range of ${'sample'}.`],
  fields,
  suggest: ({ plan, step }) => ({ sample: ofPlan(sampleBefore(plan, step.id), 'the sample that was weighed last before it') }),
  report: ({ plan, lab }, { sample }) => {
    const substance = substanceOfSample(plan, sample)
    const here = substance && boilsAt(substance, pressureMmHg(lab))
    return {
      facts: here
        ? [
            fact('here', `${substance.name} boils here`, here.atC, '°C', decimalsWorth(here.plusMinusK), {
              how: `at ${pressureMmHg(lab).toFixed(0)} mmHg, by its ${here.by}${worth(here.plusMinusK)}`,
              atBench: true,
            }),
          ]
        : [],
      advice: when(
        !here,
        'unknown',
        'open',
        `What ${substance?.name ?? 'this sample'} boils at is not on record, so the range is not compared with anything.`,
      ),
    }
  },
})
