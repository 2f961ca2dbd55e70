import { asWords } from '../words/words'
import type { Line, Plan, Step } from '../plan/plan'
import { linesNamed } from '../plan/partsUsed'
import { isCharged, isProduct } from '../plan/plan'
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

/** What is to be charged next: the first line that no step uses yet, reactants and reagents before what the work-up takes. */
export function nextToCharge(plan: Plan): Line {
  const used = new Set(linesNamed(plan).map(({ line }) => line))
  const left = plan.lines.filter((line) => isCharged(line) && !used.has(line.id))
  return left.find(({ role }) => role !== 'work-up') ?? left[0] ?? firstLine(plan)
}

/** The sample that these steps weighed, dried or crystallised last. */
const lastOf = (steps: readonly Step[]): string =>
  steps.reduce<string | undefined>((last, step) => {
    if (step.kind === 'weigh' || step.kind === 'dry') return step.sample
    return step.kind === 'crystallise' ? step.to : last
  }, undefined) ?? 'product'

export const lastSample = (plan: Plan): string => lastOf(plan.steps)

/** The sample that was weighed, dried or crystallised last before a step. */
export const sampleBefore = (plan: Plan, step: string): string =>
  lastOf(
    plan.steps.slice(
      0,
      plan.steps.findIndex(({ id }) => id === step),
    ),
  )
