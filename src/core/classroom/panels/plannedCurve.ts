import { batchDistillation } from '../../operations/distil/batch'
import type { DistilBlanks } from '../../operations/distil/blanks'
import { batchOf } from '../../operations/distil/mixture'
import { blanksOf, contextOf } from '../../operations/planners'
import type { Plan, Step } from '../../plan/plan'
import { reactionTable } from '../../reaction/reactionTable'
import { distillationsOf } from './curves'

/** Points of a planned curve: as many as a picture shows. */
const points = 120

const known = new WeakMap<Plan, Record<string, { volumeML: number; headC: number }[]>>()

/** The curves that the planners expect, by the first step of each distillation; none where a component has no vapour pressure on record, or what boils is not known. Worked out once for each plan. */
export function plannedCurves(plan: Plan): Record<string, { volumeML: number; headC: number }[]> {
  const before = known.get(plan)
  if (before) return before
  const found = Object.fromEntries(distillationsOf(plan).map((steps) => [steps[0]!.id, curveOf(plan, steps)]))
  known.set(plan, found)
  return found
}

function curveOf(plan: Plan, steps: readonly Step[]): { volumeML: number; headC: number }[] {
  const context = contextOf(plan, reactionTable(plan), steps[0]!)
  const batch = batchOf(context, blanksOf<DistilBlanks>(context))
  if (!batch) return []
  try {
    return batchDistillation(batch.mixture, { ...batch.charge, points }).points.map(({ volumeML, headC }) => ({
      volumeML,
      headC,
    }))
  } catch (error) {
    // Less in the pot than column and end leave: the Desk says so, and there is nothing to draw.
    if (error instanceof RangeError) return []
    throw error
  }
}
