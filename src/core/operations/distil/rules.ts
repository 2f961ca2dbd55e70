import { changeStep } from '../../plan/editPlan'
import type { StepRule } from '../planner'

/** A distillation that nobody is told to stop before the flask is dry. */
export const endsBeforeDry: StepRule = ({ step }) =>
  step.says?.includes('stops-before-dry')
    ? []
    : [
        {
          id: `to-dryness-${step.id}`,
          about: step.id,
          title: 'Nothing says when to stop',
          evidence: 'A flask that is distilled to dryness overheats, and peroxides left in it can explode.',
          remedy: {
            label: 'Add: never to dryness',
            apply: (current) =>
              changeStep(current, step.id, {
                caution: `${step.caution ? `${step.caution} ` : ''}Never to dryness: stop with a little left in the flask.`,
                says: [...(step.says ?? []), 'stops-before-dry'],
              }),
          },
        },
      ]
