import { isReactant, type Plan } from '../../plan/plan'
import type { ReactionTable } from '../../reaction/reactionTable'
import { protonsOf } from '../../substance/acidBase'

/**
 * Millimoles of acid that are left when the reaction is over: what is in excess of a reactant, all of a catalyst, reagent or solvent, and what forms beside the
 * product, each times its protons. The product itself does not count: it is what is kept.
 */
export function acidLeftMmol(plan: Plan, table: ReactionTable): number {
  const extent = table.extent?.value ?? 0
  return table.lines.reduce((sum, { line, substance, amount }) => {
    if (!amount || line.id === plan.mainProduct || line.role === 'work-up' || line.role === 'component') return sum
    const left = isReactant(line) ? amount.value - line.coefficient! * extent : amount.value
    return sum + Math.max(0, left) * protonsOf(substance)
  }, 0)
}
