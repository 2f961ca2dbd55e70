import { writeFigureText } from '../quantity/write'
import type { QueryRule } from '../operations/query'

/** The two nearest reactants differ by less than their combined uncertainty (k = 2): which one is limiting is not known before weighing. */
export const closeReactants: QueryRule = (_plan, table) => {
  const [first, second] = table.lines
    .filter((line) => line.excess !== null)
    .sort((a, b) => a.perCoefficient!.value - b.perCoefficient!.value)
  if (!first || !second) return []
  const difference = second.perCoefficient!.value - first.perCoefficient!.value
  const u = Math.hypot(
    first.perCoefficient!.u * first.perCoefficient!.value,
    second.perCoefficient!.u * second.perCoefficient!.value,
  )
  if (difference > 2 * u) return []
  const each = [first, second]
    .map((line) => `${line.substance.name} ${writeFigureText(line.perCoefficient!, 'amount')}`)
    .join(', ')
  return [
    {
      id: 'close-reactants',
      about: second.line.id,
      title: 'Either may set the limit',
      evidence: `${each} per coefficient: the difference is within the error of measuring them. Each bench may end with another limiting reagent; the yield will follow what it really charged.`,
    },
  ]
}
