import { limitOfTwo } from '../reaction/limitOfTwo'
import { writeFigureText, writeNumber } from '../quantity/write'
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
  const uncertain = ({ perCoefficient }: typeof first) => ({
    value: perCoefficient!.value,
    u: Math.abs(perCoefficient!.u * perCoefficient!.value),
  })
  const limit = limitOfTwo(uncertain(first), uncertain(second))
  const below = 100 * (1 - limit.value / first.perCoefficient!.value)
  const each = [first, second]
    .map((line) => `${line.substance.name} ${writeFigureText(line.perCoefficient!, 'amount')}`)
    .join(', ')
  return [
    {
      id: 'close-reactants',
      about: second.line.id,
      title: 'Either may set the limit',
      evidence: `${each} per coefficient: the difference is within the error of measuring them. Each bench may end with another limiting reagent; the yield will follow what it really charged. As a distribution the limit lies at ${writeNumber(limit.value, 2)} ± ${writeNumber(limit.u, 2)} mmol, ${writeNumber(below, 1)} % below the smaller.`,
    },
  ]
}
