import { isReactant } from '../plan/plan'
import { writeNumber } from '../quantity/write'
import type { QueryRule } from '../operations/query'

/** Excess above which a reactant looks like a decimal slip. */
const slip = 9
/** Less than this part of what the reference needs looks like a shortfall on purpose, or like a slip. */
const short = 0.98

/**
 * A reactant in tenfold excess or more, or one that is short of what the reference needs. Both happen on purpose (a solvent that reacts; a reagent that
 * would be hard to remove): an answer says so and settles it.
 */
export const unusualAmount: QueryRule = (plan, table) => {
  const reference = table.lines.find(({ line }) => line.id === plan.reference)
  return table.lines.flatMap(({ line, substance, excess, perCoefficient }) => {
    if (!isReactant(line) || excess === null) return []
    const need = reference?.perCoefficient?.value
    const share = need && perCoefficient ? perCoefficient.value / need : 1
    if (line.id !== plan.reference && share < short)
      return [
        {
          id: `short-${line.id}`,
          about: line.id,
          title: `Short of ${substance.name} on purpose?`,
          evidence: `It is ${writeNumber(100 * share, 0)} % of what the ${reference!.substance.name} needs, so it sets the limit. If it would be hard to remove and is short on purpose, answer so.`,
        },
      ]
    if (excess < slip) return []
    return [
      {
        id: `excess-${line.id}`,
        about: line.id,
        title: `${writeNumber(excess + 1, 0)} times the ${substance.name} that is needed?`,
        evidence: `A point in the wrong place, or a mass typed as a volume, looks like this. If it is meant, because it is the solvent too or drives an equilibrium, answer so.`,
      },
    ]
  })
}
