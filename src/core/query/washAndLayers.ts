import { stepContents } from '../operations/vessel/contents'
import { operationOf } from '../operations/registry'
import { mainSubstance, type Plan, type Step } from '../plan/plan'
import { typedFor } from '../plan/typedFor'
import { writeNumber } from '../quantity/write'
import type { Query, QueryRule } from './query'

/** A wash is a tenth to a half of the organic layer; a small preparation needs more to shake with, but hardly this many times its volume. */
const largeWash = 2.5

/** Washes far larger than the layer, washes that attack the product, and layers thrown away before the product is weighed. */
export const washAndLayers: QueryRule = (plan, table) => {
  const contents = stepContents(plan, table)
  const weighed = plan.steps.findLastIndex(({ kind }) => kind === 'weigh' || kind === 'dry')
  return plan.steps.flatMap((step, index): Query[] => {
    const operation = operationOf(step)
    if (operation !== 'wash' && operation !== 'extract') return []
    const found: Query[] = []
    const inside = contents.find((each) => each.step === step.id)!.contents
    const volume = (watery: boolean) =>
      inside
        .filter(
          ({ line, substance }) =>
            (['solution', 'mass-volume', 'mass-fraction'].includes(line.form.kind) || substance.formula === 'H2O') === watery,
        )
        .reduce((sum, { volumeML }) => sum + (volumeML ?? 0), 0)
    const [wash, layer] = [volume(true) / Number(typedFor(step).portions ?? 1), volume(false)]
    if (operation === 'wash' && layer > 0 && wash > largeWash * layer)
      found.push({
        id: `large-wash-${step.id}`,
        about: step.id,
        title: 'The wash is far larger than the layer',
        evidence: `${writeNumber(wash, 0)} mL against about ${writeNumber(layer, 0)} mL: a wash is a tenth to a half of the layer, twice or three times. What dissolves a little in water is lost with so much of it.`,
      })
    if (operation === 'wash')
      found.push(
        ...attack(
          plan,
          step,
          inside.map(({ substance }) => substance.formula ?? ''),
        ),
      )
    if (index < weighed && step.says?.includes('layer-discarded'))
      found.push({
        id: `discard-${step.id}`,
        about: step.id,
        title: 'A layer goes before the product is weighed',
        evidence:
          'The wrong layer is kept more often than anything else goes wrong. Every layer stays in a named flask until the product has been weighed.',
      })
    return found
  })
}

/** A strong base on an ester or an acid that is to be kept. */
function attack(plan: Plan, step: Step, formulas: readonly string[]): Query[] {
  const product = mainSubstance(plan)
  const strong = formulas.some((formula) => formula === 'NaOH' || formula === 'KOH')
  const carbonate = strong || formulas.some((formula) => ['NaHCO3', 'Na2CO3', 'K2CO3'].includes(formula))
  const group =
    strong && product?.groups?.includes('ester')
      ? 'ester'
      : carbonate && product?.groups?.includes('carboxylic acid')
        ? 'carboxylic acid'
        : undefined
  if (!group) return []
  return [
    {
      id: `wash-attacks-${step.id}`,
      about: step.id,
      title: `This wash takes the ${product!.name} with it`,
      evidence: `${product!.name} is ${group === 'ester' ? 'an ester: strong base saponifies it. Bicarbonate removes acids and leaves it' : 'a carboxylic acid: base takes it into the water as its salt'}.`,
    },
  ]
}
