import { partsUsed } from '../../plan/partsUsed'
import type { Step } from '../../plan/plan'
import type { ReactionTable } from '../../reaction/reactionTable'
import { baseCapacityOf } from '../../substance/acidBase'

/** mmol of acid that the bases named at a step can meet. */
export function baseOf(table: ReactionTable, step: Step): number {
  return partsUsed(step).reduce((sum, { line: id, part }) => {
    const found = table.lines.find(({ line }) => line.id === id)
    return sum + (found?.amount ? found.amount.value * part * baseCapacityOf(found.substance) : 0)
  }, 0)
}
