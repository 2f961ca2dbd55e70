import { densityOf, type Form, type Plan } from '../plan/plan'
import { elementsIn } from '../substance/atoms'
import { plainName } from '../substance/search'
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
  /** Name of the substance as its label has it, and its formula where it has one. */
  substance: string
  /** Name of the record that the label's name belongs to, where one has it among its own. */
  recordName?: string
  formula: string | null
  form: Form
  left: Quantity & { unit: 'g' | 'mL' }
  place: string
  changedAt: string
  changedBy: string
}

/** True where the bottle holds what the line dispenses: the same substance in the same form and strength. */
export const holds = (bottle: Bottle, { line, substance }: ComputedLine): boolean => holdsStuff(bottle, substance, line.form)

/** The same of a substance and a form, by whatever name of it the label has. */
export function holdsStuff(bottle: Bottle, substance: Labelled, form: Form): boolean {
  return JSON.stringify(strengthOf(bottle.form)) === JSON.stringify(strengthOf(form)) && sameSubstance(bottle, substance)
}

/** True where a label means a substance: by its formula where only one substance has it, else by its formula, if it has one, and by name. */
export function sameSubstance(bottle: Pick<Bottle, 'substance' | 'recordName' | 'formula'>, substance: Labelled): boolean {
  if (bottle.formula !== null && substance.formula !== undefined && bottle.formula !== substance.formula) return false
  if (bottle.formula !== null && bottle.formula === substance.formula && saysAll(bottle.formula)) return true
  const names = (of: readonly (string | undefined)[]) => of.flatMap((name) => (name === undefined ? [] : [plainName(name)]))
  const said = names([bottle.substance, bottle.recordName])
  return names([substance.name, substance.systematicName]).some((name) => said.includes(name))
}

/**
 * What makes two lines interchangeable: the substance, its state and its strength. A formula with carbon in it belongs to many substances (diethyl ether and butan-1-ol are both C4H10O), so its name counts too; any other is one
 * substance, however the label words it.
 */
export function stuffOf({ name, formula }: Pick<Labelled, 'name' | 'formula'>, form: Form): string {
  const what = formula === undefined ? [name] : saysAll(formula) ? [formula] : [formula, plainName(name)]
  return JSON.stringify([...what, ...strengthOf(form)])
}

type Labelled = Pick<Substance, 'name' | 'systematicName' | 'formula'>

/** True for a formula that only one substance of a teaching laboratory has. */
const saysAll = (formula: string) => !elementsIn(formula).has('C')

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
