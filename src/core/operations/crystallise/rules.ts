import { mainSubstance } from '../../plan/plan'
import { changeStep } from '../../plan/editPlan'
import { writeNumber } from '../../quantity/write'
import { computedLine, dispensed } from '../../reaction/reactionTable'
import type { StepRule } from '../planner'
import { stoodAt } from '../vessel/stoodAt'
import { crudeHere } from './crudeHere'
import { solubilityAt } from '../../matter/solubility'

/** Millilitres of hot solvent per gram of product above which a figure looks ten times too large. */
const muchSolvent = 60

/** Straight into ice. */
export const cooledTooFast: StepRule = ({ step }) =>
  step.says?.includes('cooled-by-itself')
    ? []
    : [
        {
          id: `fast-cooling-${step.id}`,
          about: step.id,
          title: 'Cooled too fast',
          evidence:
            'Straight into ice it falls as a powder and traps its impurities. First to room temperature undisturbed, 10 to 20 min, then ice.',
          remedy: {
            label: 'Add the slow cooling',
            apply: (current) =>
              changeStep(current, step.id, {
                text: `${step.text} First leave it to cool to room temperature undisturbed.`,
                says: [...(step.says ?? []), 'cooled-by-itself'],
              }),
          },
        },
      ]

/**
 * The hot solvent of the table cannot hold the product, or holds so much of it cold that more than a fifth is lost: judged by what is in the vessel by then, between the hottest and coldest point of the record.
 * Where nothing is on record, only what looks ten times too much.
 */
export const solventVolume: StepRule = (context) => {
  const { plan, table, step } = context
  const product = mainSubstance(plan)
  if (step.kind !== 'crystallise' || !product) return []
  const solvent = computedLine(table, step.solvent)
  const volume = dispensed(solvent)?.figure.value
  const expected = crudeHere(plan, step, stoodAt(context), product)
  if (!volume || !expected) return []
  const curve = product.solubility?.find((record) => record.solvent === solvent.substance.id)
  const query = (id: string, title: string, evidence: string) => [{ id: `${id}-${step.id}`, about: step.id, title, evidence }]
  if (!curve)
    return volume / expected > muchSolvent
      ? query(
          'much-solvent',
          'Very much solvent',
          `${writeNumber(volume, 0)} mL for about ${writeNumber(expected, 1)} g are ${writeNumber(volume / expected, 0)} mL to the gram. Too much solvent is the commonest cause of a poor crop; is the point in the right place?`,
        )
      : []
  const temperatures = curve.points.map((point) => point.atC)
  const [cold, hot] = [Math.min(...temperatures), Math.max(...temperatures)]
  const hotHolds = (volume * solubilityAt(curve.points, hot)) / 100
  const lost = (volume * solubilityAt(curve.points, cold)) / 100
  const numbers = `${writeNumber(volume, 0)} mL hold ${writeNumber(hotHolds, 1)} g at ${hot} °C and ${writeNumber(lost, 2)} g at ${cold} °C; about ${writeNumber(expected, 1)} g is in it.`
  if (hotHolds < expected) return query('too-little-solvent', 'Too little hot solvent', `${numbers} The rest will not dissolve.`)
  return lost > expected / 5
    ? query(
        'too-much-solvent',
        'Too much solvent',
        `${numbers} ${writeNumber((100 * lost) / expected, 0)} % of the product stays in the mother liquor.`,
      )
    : []
}
