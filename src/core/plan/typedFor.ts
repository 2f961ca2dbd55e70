import { operationOf } from './operations'
import type { Step, Work } from './plan'

/** What was typed for a step; nothing where that was for another operation. */
export function typedFor(step: Step): Partial<Work> {
  return step.work && step.work.of === operationOf(step) ? step.work : {}
}
