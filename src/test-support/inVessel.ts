import { defaultLab } from '@/core/lab/lab'
import { holdingsIn, vesselNamed, type Holding, type Vessel } from '@/core/matter/state'
import { walkOf } from '@/core/operations/vessel/standsIn'
import type { Plan } from '@/core/plan/plan'
import { reactionTable, type ReactionTable } from '@/core/reaction/reactionTable'

/** The vessel that the work is done in while a step is done. @throws where the plan has no such step */
export function vesselIn(plan: Plan, step: string, table: ReactionTable = reactionTable(plan)): Vessel {
  const { during } = walkOf(plan, table, defaultLab).steps.find((each) => each.step.id === step)!
  return vesselNamed(during, during.at)!
}

const lineOf = ({ from }: Holding) => from.flatMap((each) => (each.startsWith('line ') ? [each.slice('line '.length)] : []))

/** The lines that something in a vessel comes from: of which it is known that it is there, or of which it is not known. */
export const linesIn = (plan: Plan, step: string, certain = true, table?: ReactionTable): string[] => [
  ...new Set(
    holdingsIn(vesselIn(plan, step, table))
      .filter((each) => each.certain === certain)
      .flatMap(lineOf),
  ),
]
