import type { Figure } from '@/core/quantity/figure'
import { decimalsJustified } from '@/core/quantity/figure'
import { writeNumber } from '@/core/quantity/write'

/** A derived figure with its unit, and its standard uncertainty on request. */
export function FigureText({
  figure,
  unit,
  factor = 1,
  decimals,
  withU = false,
}: {
  figure: Figure
  unit: string
  factor?: number
  decimals?: number
  withU?: boolean
}) {
  const shown = { ...figure, value: figure.value * factor }
  const digits = decimals ?? decimalsJustified(shown)
  const u = Math.abs(figure.u * shown.value)
  return (
    <span className="fig">
      {writeNumber(shown.value, digits)}
      {withU && u > 0 && ` ± ${writeNumber(u, Math.max(digits, Math.ceil(-Math.log10(u))))}`}
      <span className="unit">{unit}</span>
    </span>
  )
}
