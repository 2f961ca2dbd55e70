import { asWords } from '../words/words'
import type { Line, Plan } from '../plan/plan'
import { isProduct } from '../plan/plan'
import type { StepFact } from '../plan/stepFacts'
import type { Operation } from './operation'

export const times = (handsOnMin: number, waitMin = 0) => ({ handsOnMin, waitMin })

/** Makes a step that is done and ticked off: `verb` is what its button says. */
export const act =
  (
    verb: string,
    text: string,
    handsOnMin: number,
    more: { until?: string; waitMin?: number; says?: StepFact[] } = {},
  ): Operation['make'] =>
  (base) => ({
    ...base,
    kind: 'act',
    verb,
    text: asWords(text),
    ...times(handsOnMin, more.waitMin),
    ...(more.until ? { until: asWords(more.until) } : {}),
    ...(more.says ? { says: more.says } : {}),
  })

/** The first line that goes in. */
export const firstLine = (plan: Plan): Line => plan.lines.find((line) => !isProduct(line)) ?? plan.lines[0]!

/** The sample that a plan weighed, dried or crystallised last. */
export const lastSample = (plan: Plan): string =>
  plan.steps.reduce<string | undefined>((last, step) => {
    if (step.kind === 'weigh' || step.kind === 'dry') return step.sample
    return step.kind === 'crystallise' ? step.to : last
  }, undefined) ?? 'product'
