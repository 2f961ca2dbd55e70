import type { Plan, Step } from '../../plan/plan'
import { typedFor } from '../../plan/typedFor'
import type { ReactionTable } from '../../reaction/reactionTable'
import { expectedProductG } from '../vessel/inVessel'
import { rough } from '../../quantity/rough'

/**
 * The procedure's own factor, mL of hot solvent to the gram: what its author typed, or the solvent of the table over the crude that a careful group gets; null where no volume stands in the table.
 * @param table the plan as it was planned: whatever a group has charged, the factor is that of the plan
 */
export function mLPerG(plan: Plan, table: ReactionTable, step: Step & { kind: 'crystallise' }, typedG?: number): number | null {
  const said = typedFor(step).perG
  if (typeof said === 'number') return said
  const planned = table.lines.find(({ line }) => line.id === step.solvent)?.volume?.value ?? 0
  if (planned <= 0) return null
  const grams = typedG ?? rough(expectedProductG({ plan, table }, step.from) || 1)
  return rough(Math.max(0.1, planned / grams))
}
