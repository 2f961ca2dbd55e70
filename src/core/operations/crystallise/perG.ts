import type { Plan, Step } from '../../plan/plan'
import { typedFor } from '../../plan/typedFor'
import type { ReactionTable } from '../../reaction/reactionTable'
import { defaultLab, type Lab } from '../../lab/lab'
import { substanceOfSample } from '../../plan/plan'
import { walkOf } from '../vessel/standsIn'
import { crudeHere } from './crudeHere'
import { rough } from '../../quantity/rough'

/** Of more hot solvent to the gram nobody crystallises: what is there by then is a trace. */
const mostMLPerG = 1000

/**
 * The procedure's own factor, mL of hot solvent to the gram: what its author typed, or the solvent of the table over what is in the vessel by then; null where no volume stands in the table.
 * @param table the plan as it was planned: whatever a group has charged, the factor is that of the plan
 */
export function mLPerG(
  plan: Plan,
  table: ReactionTable,
  step: Step & { kind: 'crystallise' },
  typedG?: number,
  lab: Lab = defaultLab,
): number | null {
  const said = typedFor(step).perG
  if (typeof said === 'number') return said
  const planned = table.lines.find(({ line }) => line.id === step.solvent)?.volume?.value ?? 0
  if (planned <= 0) return null
  const stood = walkOf(plan, table, lab).steps.find((each) => each.step.id === step.id)
  const there = crudeHere(plan, step, stood, substanceOfSample(plan, step.from))
  const grams = typedG ?? there
  if (!grams) return null
  const perG = rough(Math.max(0.1, planned / grams))
  return perG <= mostMLPerG ? perG : null
}
