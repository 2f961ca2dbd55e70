import type { Plan } from '@/core/plan/plan'
import { reactionTable, type ReactionTable } from '@/core/reaction/reactionTable'

const tables = new WeakMap<Plan, ReactionTable>()

/** The table of a plan, worked out once: whatever is drawn from it is drawn anew only where the plan has changed. */
export function tableOf(plan: Plan): ReactionTable {
  const known = tables.get(plan) ?? reactionTable(plan)
  tables.set(plan, known)
  return known
}
