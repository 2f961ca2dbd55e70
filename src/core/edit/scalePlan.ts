import type { Anchor, Plan } from '../plan/plan'

/** A typed figure times a factor, shown to as many significant figures as before. Ratios do not change with the scale. */
function scaleAnchor(anchor: Anchor, factor: number): Anchor {
  if (!('quantity' in anchor)) return anchor
  const { quantity } = anchor
  const decimals = quantity.decimals - Math.sign(Math.log10(factor)) * Math.round(Math.abs(Math.log10(factor)))
  return { of: anchor.of, quantity: { ...quantity, value: quantity.value * factor, decimals } }
}

/**
 * The plan with every amount multiplied, except lines that are fixed. Scaling by s and then by 1/s gives the plan back.
 * @throws RangeError when the factor is not a positive number.
 */
export function scalePlan(plan: Plan, factor: number): Plan {
  if (!(factor > 0) || !Number.isFinite(factor)) throw new RangeError('A scale is a positive number.')
  if (factor === 1) return plan
  return {
    ...plan,
    lines: plan.lines.map((line) => (line.fixed || !line.anchor ? line : { ...line, anchor: scaleAnchor(line.anchor, factor) })),
  }
}
