import type { Law } from '../operations/operation'
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
}

/** What was typed into a blank, as its law has it at another scale; a list cell by cell. */
function scaleValue(laws: Readonly<Record<string, Law>>, key: string, value: WorkValue, factor: number): WorkValue {
  if (Array.isArray(value))
    return value.map((row) =>
      Object.fromEntries(
        Object.entries(row).map(([column, cell]) => [
          column,
          scaleValue(laws, `${key}.${column}`, cell, factor) as string | number,
        ]),
      ),
    )
  const law = laws[key]
  return law && typeof value === 'number' ? value * byLaw[law](factor) : value
}

const slowed = (minutes: NonNullable<Step['minutes']>, slower: number): NonNullable<Step['minutes']> =>
  Object.fromEntries(
    Object.entries(minutes).map(([key, { least, most }]) => [key, { least: least * slower, most: most * slower }]),
  )

/** A step at another scale: what was typed follows by its law, and where heat is led away through the wall the minutes do. */
function scaleStep(step: Step, factor: number): Step {
  const laws = operationIn(step)?.scales ?? {}
  const typed = Object.entries(typedFor(step)).map(([key, value]) => [key, scaleValue(laws, key, value!, factor)])
  const slower = operationIn(step)?.slowsWithScale ? timeFactor(factor) : 1
  return {
    ...step,
    handsOnMin: step.handsOnMin * slower,
    waitMin: step.waitMin * slower,
    ...(step.minutes ? { minutes: slowed(step.minutes, slower) } : {}),
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
