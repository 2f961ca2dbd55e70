import { densityOf, type Form, type Plan } from '../plan/plan'
import type { Quantity } from '../quantity/unit'
import { inBaseUnit } from '../quantity/unit'
import { chargedLines, type ComputedLine, type ReactionTable } from '../reaction/reactionTable'

/** A bottle on the shelf of a course. */
export interface Bottle {
  id: string
  /** Name of the substance, and its formula where it has one. */
  substance: string
  formula: string | null
  form: Form
  left: Quantity & { unit: 'g' | 'mL' }
  place: string
  changedAt: string
  changedBy: string
}

/** True where the bottle holds what the line dispenses: the same substance in the same form and strength. */
export function holds(bottle: Bottle, { line, substance }: ComputedLine): boolean {
  const same = bottle.formula === null ? bottle.substance === substance.name : bottle.formula === (substance.formula ?? null)
  return same && JSON.stringify(strengthOf(bottle.form)) === JSON.stringify(strengthOf(line.form))
}

/** What makes two bottles of one substance interchangeable: its state and strength, not the wording of the label. */
function strengthOf(form: Form): (string | number)[] {
  if (form.kind === 'solution') return [form.kind, form.molPerL ?? '']
  if (form.kind === 'mass-volume') return [form.kind, form.gPer100ML ?? '']
  if (form.kind === 'mass-fraction') return [form.kind, form.fraction ?? '']
  return form.kind === 'solid' ? [form.kind, form.water ?? 0] : [form.kind]
}

/**
 * How many groups a bottle can serve with what the plan needs of it per group, all lines that it holds together: whole groups,
 * left ÷ need. Null where nothing is needed of it, or where mass and volume cannot be compared for want of a density.
 */
export function groupsServed(bottle: Bottle, plan: Plan, table: ReactionTable): number | null {
  const of = bottle.left.unit === 'g' ? 'mass' : 'volume'
  let need = 0
  for (const computed of chargedLines(table).filter((line) => holds(bottle, line))) {
    const own = of === 'mass' ? computed.mass : computed.volume
    const density = densityOf(plan, computed.line)?.gPerML
    const other = of === 'mass' ? computed.volume : computed.mass
    const amount = own?.value ?? (other && density ? (of === 'mass' ? other.value * density : other.value / density) : null)
    if (amount === null) return null
    need += amount
  }
  // A bottle that holds exactly enough serves the last group too: rounding of floats must not turn it away.
  return need > 0 ? Math.floor(inBaseUnit(bottle.left) / need + 1e-9) : null
}
