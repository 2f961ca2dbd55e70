import type { Plan, Step } from '../../plan/plan'
import { typedFor } from '../../plan/typedFor'
import type { ReactionTable } from '../../reaction/reactionTable'
import { defaultLab, type Lab } from '../../lab/lab'
import { substanceOfSample } from '../../plan/plan'
import { vesselNamed } from '../../matter/state'
import { gramsOfIn } from '../vessel/stoodAt'
import { walkOf } from '../vessel/standsIn'
import { rough } from '../../quantity/rough'

/**
 * The procedure's own factor, mL of hot solvent to the gram: what its author typed, or the solvent of the table over what is in the vessel by then; null where no volume stands in the table.
 * @param table the plan as it was planned: whatever a group has charged, the factor is that of the plan
 */
export function mLPerG(plan: Plan, table: ReactionTable, step: Step & { kind: 'crystallise' }, typedG?: number, lab: Lab = defaultLab): number | null {
  const said = typedFor(step).perG
  if (typeof said === 'number') return said
  const planned = table.lines.find(({ line }) => line.id === step.solvent)?.volume?.value ?? 0
  if (planned <= 0) return null
  const during = walkOf(plan, table, lab).steps.find((each) => each.step.id === step.id)?.during
  const there = during && gramsOfIn(vesselNamed(during, during.at), substanceOfSample(plan, step.from))
  const grams = typedG ?? rough(there || 1)
  return rough(Math.max(0.1, planned / grams))
}
