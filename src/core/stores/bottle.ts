import { densityOf, type Form, type Plan } from '../plan/plan'
import type { Substance } from '../substance/substance'
import type { Quantity } from '../quantity/unit'
import { inBaseUnit } from '../quantity/unit'
import { chargedLines, type ComputedLine, type ReactionTable } from '../reaction/reactionTable'

/** What the label of a bottle says, where somebody has written it down; days as 2026-11-26. */
export interface BottleAbout {
  lot?: string
  openedOn?: string
  expiresOn?: string
  /** The day by which it is tested for peroxides again. */
  peroxideTestBy?: string
  /** The strength that was found by titration, and when. */
  standard?: { molPerL: number; on: string }
}

/** A bottle on the shelf of a course. */
export interface Bottle extends BottleAbout {
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
export const holds = (bottle: Bottle, { line, substance }: ComputedLine): boolean => holdsStuff(bottle, substance, line.form)

/** The same of a substance and a form. A bottle without a formula is known by its name. */
export function holdsStuff(bottle: Bottle, substance: Pick<Substance, 'name' | 'formula'>, form: Form): boolean {
  const known = bottle.formula === null ? { name: substance.name } : substance
  return stuffOf({ name: bottle.substance, formula: bottle.formula }, bottle.form) === stuffOf(known, form)
}

/** What makes two bottles, or two lines, interchangeable: the substance (by its formula; by its name where it has none), its state and its strength, not the wording of the label. */
export function stuffOf({ name, formula }: { name: string; formula?: string | null | undefined }, form: Form): string {
  return JSON.stringify([formula ?? name, ...strengthOf(form)])
}

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
