import { dispensed, computedLine, wholeOf } from '../reaction/reactionTable'
import { solubilityAt } from '../operations/crystallise/solubility'
import { writeNumber } from '../quantity/write'
import { allThereIs, mainResult, mainSubstance } from '../plan/plan'
import type { QueryRule } from './query'

/**
 * The hot solvent planned for a crystallisation cannot hold the product, or holds so much of it cold that more than a fifth is lost.
 * Judged at the expected yield, between the hottest and coldest point of the record.
 */
export const crystallisationVolume: QueryRule = (plan, table) => {
  const whole = wholeOf(plan, table)
  const result = mainResult(plan)
  const product = mainSubstance(plan)
  return plan.steps.flatMap((step) => {
    if (step.kind !== 'crystallise' || !whole || !result || !product) return []
    const solvent = computedLine(table, step.solvent)
    const curve = product.solubility?.find((record) => record.solvent === solvent.substance.id)
    const volume = dispensed(solvent)?.figure.value
    if (!curve || !volume) return []
    const temperatures = curve.points.map((point) => point.atC)
    const [cold, hot] = [Math.min(...temperatures), Math.max(...temperatures)]
    const expected = whole.value * (result.expected ?? allThereIs).high
    const hotHolds = (volume * solubilityAt(curve.points, hot)) / 100
    const lost = (volume * solubilityAt(curve.points, cold)) / 100
    const numbers = `${writeNumber(volume, 0)} mL hold ${writeNumber(hotHolds, 1)} g at ${hot} °C and ${writeNumber(lost, 2)} g at ${cold} °C; about ${writeNumber(expected, 1)} g is expected.`
    if (hotHolds < expected) {
      return [
        {
          id: `too-little-solvent-${step.id}`,
          about: step.id,
          title: 'Too little hot solvent',
          evidence: `${numbers} The rest will not dissolve.`,
        },
      ]
    }
    if (lost > expected / 5) {
      return [
        {
          id: `too-much-solvent-${step.id}`,
          about: step.id,
          title: 'Too much solvent',
          evidence: `${numbers} ${writeNumber((100 * lost) / expected, 0)} % of the product stays in the mother liquor.`,
        },
      ]
    }
    return []
  })
}
