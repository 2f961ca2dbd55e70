import type { Field, Filled, Law } from '../operations/fields'
import { plannerFor } from '../operations/planners'
import { operationIn } from '../operations/registry'
import type { Anchor, Plan, Step, Work, WorkValue } from '../plan/plan'
import { typedFor } from '../plan/typedFor'
import { timeFactor } from '../quantity/timeFactor'

/** A typed figure times a factor, shown to as many significant figures as before. Ratios do not change with the scale. */
function scaleAnchor(anchor: Anchor, factor: number): Anchor {
  if (!('quantity' in anchor)) return anchor
  const { quantity } = anchor
  const decimals = quantity.decimals - Math.sign(Math.log10(factor)) * Math.round(Math.abs(Math.log10(factor)))
  return { of: anchor.of, quantity: { ...quantity, value: quantity.value * factor, decimals } }
}

const byLaw: Readonly<Record<Law, (factor: number) => number>> = {
  'as the amounts': (factor) => factor,
  'as the time of cooling': timeFactor,
  not: () => 1,
}

/** What was typed into a blank, as its law has it at another scale. */
function scaleValue(field: Field | undefined, value: WorkValue, factor: number): WorkValue {
  if (field?.kind === 'number' && typeof value === 'number') return value * byLaw[field.law](factor)
  if (field?.kind !== 'rows' || !Array.isArray(value)) return value
  return value.map((row) =>
    Object.fromEntries(
      Object.entries(row).map(([key, cell]) => [
        key,
        scaleValue(
          field.columns.find((column) => column.key === key),
          cell,
          factor,
        ) as string | number,
      ]),
    ),
  )
}

/** A step at another scale: what was typed follows by its law, and where heat is led away through the wall the minutes do. */
function scaleStep(step: Step, factor: number): Step {
  const fields = plannerFor(step)?.fields ?? []
  const typed = Object.entries(typedFor(step) as Filled).map(([key, value]) => [
    key,
    scaleValue(
      fields.find((field) => field.key === key),
      value,
      factor,
    ),
  ])
  const slower = operationIn(step)?.slowsWithScale ? timeFactor(factor) : 1
  return {
    ...step,
    handsOnMin: step.handsOnMin * slower,
    waitMin: step.waitMin * slower,
    ...('holdMin' in step ? { holdMin: step.holdMin * slower } : {}),
    ...(typed.length > 0 ? { work: Object.fromEntries(typed) as Work } : {}),
  }
}

/**
 * The plan with every amount multiplied, except lines that are fixed; what was typed into the steps follows, each by its law. Scaling by s and then by 1/s gives the plan back.
 * @throws RangeError when the factor is not a positive number.
 */
export function scalePlan(plan: Plan, factor: number): Plan {
  if (!(factor > 0) || !Number.isFinite(factor)) throw new RangeError('A scale is a positive number.')
  if (factor === 1) return plan
  return {
    ...plan,
    lines: plan.lines.map((line) => (line.fixed || !line.anchor ? line : { ...line, anchor: scaleAnchor(line.anchor, factor) })),
    steps: plan.steps.map((step) => scaleStep(step, factor)),
  }
}
