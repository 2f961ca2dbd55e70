import { changeStep } from '../../plan/editPlan'
import type { StepRule } from '../planner'

/** A melting point without its heating rate. */
export const heatedTooFast: StepRule = ({ step }) =>
  step.says?.includes('heated-slowly')
    ? []
    : [
        {
          id: `melt-rate-${step.id}`,
          about: step.id,
          title: 'How fast is it heated?',
          evidence: 'At 10 °C a minute the thermometer runs ahead of the sample and the range is read several degrees too high.',
          remedy: {
            label: 'Add: 1–2 °C a minute',
            apply: (current) =>
              changeStep(current, step.id, {
                text: `${step.text} Heat fast to 20 °C below, then 1–2 °C a minute.`.trim(),
                says: [...(step.says ?? []), 'heated-slowly'],
              }),
          },
        },
      ]
