import { writeNumber } from '../../quantity/write'
import type { KeepsBack } from '../kept'
import { operationOf } from '../registry'
import { worksOut } from './advice'
import type { DistilBlanks } from './blanks'

/** What stays in flask and column is guessed by eye: half as much or half as much again. */
const guess = 0.5

/** Flask and column: what was left in the pot at the end and what wets the column, as product. Only the last distillation of the plan, and only where the product comes over last. */
export const distillingKeeps: KeepsBack = (context, { substance, reachedG }) => {
  const { plan, step } = context
  const distillations = plan.steps.filter((each) => operationOf(each) === 'distil')
  if (distillations.at(-1)?.id !== step.id) return null
  const filled = context.filledOf(step) as unknown as DistilBlanks
  const { wanted, stages } = worksOut(context, filled)
  const isIt = wanted?.id === substance.id
  const gPerML = substance.density?.gPerML
  if (!isIt) return null
  if (gPerML === undefined)
    return { unknown: `what stays in flask and column: the density of ${substance.name} is not on record` }
  const column = stages > 0 ? filled.holdUpML : 0
  const g = Math.min(reachedG, (filled.stopML + column) * gPerML)
  return {
    what: 'hold-up',
    g,
    lowG: g * (1 - guess),
    highG: Math.min(reachedG, g * (1 + guess)),
    how: `${writeNumber(filled.stopML, 1)} mL left in the flask${column > 0 ? ` and ${writeNumber(column, 1)} mL in the column` : ''} × ${writeNumber(gPerML, 3)} g/mL, taken as product; half as much or half as much again`,
  }
}
