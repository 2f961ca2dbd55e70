import { computedLine } from '../reaction/reactionTable'
import { writeFigureText, writeNumber } from '../quantity/write'
import type { QueryRule } from '../operations/query'

/** The two nearest reactants differ by less than their combined uncertainty (k = 2): which one is limiting is not known before weighing. */
export const closeReactants: QueryRule = (_plan, table) => {
  if (!table.eitherLimits) return []
  const [first, second] = table.eitherLimits.lines.map((id) => computedLine(table, id))
  const { extent } = table.eitherLimits
  const below = 100 * (1 - extent.value / first!.perCoefficient!.value)
  const each = [first!, second!]
    .map((line) => `${line.substance.name} ${writeFigureText(line.perCoefficient!, 'amount')}`)
    .join(', ')
  return [
    {
      id: 'close-reactants',
      about: second!.line.id,
      title: 'Either may set the limit',
      evidence: `${each} per coefficient: the difference is within the error of measuring them. Each bench may end with another limiting reagent; the yield will follow what it really charged. As a distribution the limit lies at ${writeNumber(extent.value, 2)} ± ${writeNumber(extent.u * extent.value, 2)} mmol, ${writeNumber(below, 1)} % below the smaller, and the theory of a run counts from there where both were measured.`,
    },
  ]
}
