import { changeStep } from '../../plan/editPlan'
import type { StepRule } from '../planner'

/** A sample whose slot nobody is told to write down. */
export const slotNoted: StepRule = ({ step }) =>
  step.says?.includes('slot-noted')
    ? []
    : [
        {
          id: `slot-${step.id}`,
          about: step.id,
          title: 'The slot of the sample is not noted',
          evidence: 'Results come back days later by slot, and must find their group.',
          remedy: {
            label: 'Add: note the slot',
            apply: (current) =>
              changeStep(current, step.id, {
                text: `${step.text} Note the slot, the group and the date.`.trim(),
                says: [...(step.says ?? []), 'slot-noted'],
              }),
          },
        },
      ]
