import type { StepRule } from '../planner'
import { operationIn } from '../registry'

/** True for a step that weighs what there is. */
const weighs = (kind: string) => kind === 'weigh' || kind === 'dry'

/** A layer thrown away before the product has been weighed. */
export const discarded: StepRule = ({ plan, step, index }) =>
  operationIn(step)?.shakes &&
  index < plan.steps.findLastIndex(({ kind }) => weighs(kind)) &&
  step.says?.includes('layer-discarded')
    ? [
        {
          id: `discard-${step.id}`,
          about: step.id,
          title: 'A layer goes before the product is weighed',
          evidence:
            'The wrong layer is kept more often than anything else goes wrong. Every layer stays in a named flask until the product has been weighed.',
        },
      ]
    : []
