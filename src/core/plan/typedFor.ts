import type { Step, Work } from './plan'

/** The name of the operation that a step says it is; undefined where it is work of the author's own. */
export function operationNamed(step: Step): string | undefined {
  if (step.kind === 'act' && step.own) return 'own'
  return step.kind === 'act' || step.kind === 'hold' ? step.operation : step.kind
}

/** What was typed for a step; nothing where that was for another operation. */
export function typedFor(step: Step): Partial<Work> {
  return step.work && step.work.of === operationNamed(step) ? step.work : {}
}
