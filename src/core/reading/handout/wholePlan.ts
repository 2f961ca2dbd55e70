import { operationOf, type OperationKey } from '../../operations/registry'
import { isCharged, type Plan } from '../../plan/plan'
import { queriesOf } from '../../query/queries'
import type { Proposal } from './proposal'

/** What is expected, where the text gives a share of theory. */
export function expectedOf({ read, does }: Proposal): Pick<Plan, 'expectedYield'> {
  const said = read.sayings.find(({ of, high }) => of === 'yield percent' && high <= 100)
  return said && does === 'makes' ? { expectedYield: { low: said.low / 100, high: said.high / 100 } } : {}
}

/** Melting ranges that the text gives go into the steps that melt. */
export function withLiterature(plan: Plan, { read, product, lines }: Proposal): Plan {
  const made = lines.find(({ id }) => id === product)?.substance?.id
  const melting = read.sayings.find(({ of, substance }) => of === 'melting' && (substance === undefined || substance === made))
  if (!melting) return plan
  return {
    ...plan,
    steps: plan.steps.map((step) =>
      step.kind === 'melt' && !step.work ? { ...step, work: { of: 'melt', lowC: melting.low, highC: melting.high } } : step,
    ),
  }
}

/** What was offered stands complete: every check before heat, and a container for everything that has one on record. */
export function withOffered(plan: Plan, { steps }: Proposal): Plan {
  const added = (operation: OperationKey) =>
    steps.some((step) => step.offered !== undefined && step.operation === operation && step.asks.length === 0)
  const checks = added('assemble') ? queriesOf(plan).find(({ id, remedy }) => id.startsWith('checks-') && remedy) : undefined
  const checked = checks?.remedy ? checks.remedy.apply(plan) : plan
  if (!added('dispose')) return checked
  const streams = [
    ...new Set(
      checked.lines.filter(isCharged).flatMap((line) => checked.substances.find(({ id }) => id === line.substance)?.waste ?? []),
    ),
  ]
  const placed = streams.filter((stream) => !/by itself|kept wet/.test(stream))
  return {
    ...checked,
    steps: checked.steps.map((step) =>
      operationOf(step) === 'dispose' && placed.length > 0 ? { ...step, waste: placed.map((into) => ({ into })) } : step,
    ),
  }
}
