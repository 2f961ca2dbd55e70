import type { Plan } from '../plan/plan'
import type { Quantity } from '../quantity/unit'
import { inBaseUnit } from '../quantity/unit'
import { computedLine, wholeOf, type ReactionTable } from './reactionTable'

/** How a person says what scale they want. */
export type ScaleWay =
  | { by: 'factor'; factor: number }
  /** The limiting reactant's amount, mass or volume. */
  | { by: 'limiting'; of: 'amount' | 'mass' | 'volume'; quantity: Quantity }
  /** A mass of product in hand, at a yield as a fraction. */
  | { by: 'product'; quantity: Quantity; yield: number }
  /** As much as a bottle allows for so many groups. */
  | { by: 'bottle'; line: string; of: 'mass' | 'volume'; quantity: Quantity; groups: number }

/** The factor that takes the plan there: wanted over planned; for a product n = m/(M·yield). Null where the plan has no such figure yet. */
export function scaleFactor(plan: Plan, table: ReactionTable, way: ScaleWay): number | null {
  if (way.by === 'factor') return way.factor
  if (way.by === 'product') {
    const whole = wholeOf(plan, table)
    return whole ? inBaseUnit(way.quantity) / way.yield / whole.value : null
  }
  const id = way.by === 'limiting' ? (table.limiting[0] ?? plan.reference) : way.line
  const now = id ? computedLine(table, id)[way.of] : null
  if (!now) return null
  return inBaseUnit(way.quantity) / (way.by === 'bottle' ? way.groups : 1) / now.value
}
