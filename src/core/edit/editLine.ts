import { decimalsJustified } from '../quantity/figure'
import { numberAndUnit, readNumber, readQuantity, type Reading } from '../quantity/readQuantity'
import { inBaseUnit } from '../quantity/unit'
import { densityOf, isProduct, isReactant, substanceOf, type Anchor, type Line, type Plan } from '../plan/plan'
import { computedLine, reactionTable } from '../reaction/reactionTable'
import { scalePlan } from './scalePlan'

export type Column = 'mass' | 'volume' | 'amount' | 'ratio'

/**
 * The plan after a person typed `text` into one figure of a line. The typed figure becomes the line's anchor and the rest follows.
 * Typed into a product, the whole plan is scaled so that the theoretical yield is what was typed.
 * Typed as the ratio of the reference line, the reference moves to another reactant, so that the ratio reads as typed.
 * What cannot be meant is refused with what would be right.
 */
export function editLine(plan: Plan, id: string, column: Column, text: string): Reading<Plan> {
  const line = plan.lines.find((candidate) => candidate.id === id)
  if (!line) return { ok: false, problem: 'This line is no longer in the table.' }
  if (column === 'ratio') return editRatio(plan, line, text)
  const followed = column === 'volume' ? readPerGram(line, text) : column === 'mass' ? readShare(plan, line, text) : undefined
  if (followed) return followed.ok ? { ok: true, value: withAnchor(plan, id, followed.value) } : followed
  const read = readQuantity(text, column)
  if (!read.ok) return read
  const name = substanceOf(plan, line).name
  const solution = line.form.kind === 'solution' || line.form.kind === 'mass-volume'
  if (column === 'mass' && solution && !densityOf(plan, line)) {
    return { ok: false, problem: `A solution of ${name} is measured by volume: its density is not in the plan. Type the volume.` }
  }
  if (column === 'amount' && substanceOf(plan, line).formula === undefined) {
    return { ok: false, problem: `${capital(name)} has no formula, so it has no amount in moles. Type the mass or the volume.` }
  }
  if (column === 'volume' && !solution && !densityOf(plan, line)) {
    return {
      ok: false,
      problem: `${capital(name)} has no density in this plan, so a volume says nothing about its amount. Type the mass.`,
    }
  }
  if (isProduct(line)) {
    const now = computedLine(reactionTable(plan), id)[column]
    if (!now)
      return { ok: false, problem: 'Give a reactant an amount first; then the whole table can be scaled to this product.' }
    return { ok: true, value: scalePlan(plan, inBaseUnit(read.value) / now.value) }
  }
  return { ok: true, value: withAnchor(plan, id, { of: column, quantity: read.value }) }
}

/** What stands before one of these units at the end of what was typed; undefined where it ends otherwise. */
function before(text: string, ...written: string[]): string | undefined {
  const plain = text.trim()
  const unit = written.find((each) => plain.toLowerCase().endsWith(each))
  return unit === undefined ? undefined : plain.slice(0, -unit.length).trim()
}

/** `10 mL/g`: so many millilitres per gram of the limiting reagent. Undefined for text that says nothing per gram. */
function readPerGram(line: Line, text: string): Reading<Anchor> | undefined {
  const digits = before(text, 'ml/g', 'ml / g', 'ml per g')
  if (digits === undefined) return undefined
  if (isReactant(line))
    return { ok: false, problem: 'A reactant is not counted per gram of itself. Type its mass, volume, amount or ratio.' }
  const read = readNumber(digits)
  if (!read.ok || read.value.value <= 0)
    return { ok: false, problem: 'Write so many millilitres per gram of the limiting reagent, for example 10 mL/g.' }
  return { ok: true, value: { of: 'per-gram', mLPerG: read.value.value, decimals: read.value.decimals } }
}

/** `33.3 %` of the mass of the material that a component is part of. Undefined for other lines and other text. */
function readShare(plan: Plan, line: Line, text: string): Reading<Anchor> | undefined {
  const digits = before(text, '%')
  if (digits === undefined || line.role !== 'component') return undefined
  const whole = plan.lines.find(({ role }) => role === 'material')
  if (!whole) return { ok: false, problem: 'There is no material in the table that this could be a share of.' }
  const read = readNumber(digits)
  if (!read.ok || read.value.value <= 0 || read.value.value > 100)
    return { ok: false, problem: 'A share is a percentage above 0, at most 100.' }
  return { ok: true, value: { of: 'share', line: whole.id, percent: read.value.value, decimals: read.value.decimals } }
}

function editRatio(plan: Plan, line: Line, text: string): Reading<Plan> {
  const name = substanceOf(plan, line).name
  const digits = before(text, 'mol %', 'mol%', '%')
  if (digits !== undefined) {
    if (isProduct(line) || line.id === plan.reference)
      return { ok: false, problem: 'Mole per cent counts from the reference, so only another line that goes in can have it.' }
    const read = readNumber(digits)
    if (!read.ok || read.value.value <= 0 || read.value.value > 1000)
      return { ok: false, problem: 'Mole per cent is a number above 0, at most 1000: write for example 5 %.' }
    return {
      ok: true,
      value: withAnchor(plan, line.id, { of: 'mol-percent', percent: read.value.value, decimals: read.value.decimals }),
    }
  }
  if (text.trim() !== '' && numberAndUnit(text)?.symbol !== '')
    return {
      ok: false,
      problem: 'A ratio is a plain number of moles per mole of the reference: write for example 1.20, or 5 % for mole per cent.',
    }
  const read = readNumber(text)
  if (!read.ok) return { ok: false, problem: `${read.problem} Write for example 1.20.` }
  const { value, decimals } = read.value
  if (value <= 0) return { ok: false, problem: 'A ratio is more than zero: write for example 1.20.' }
  if (value > 10_000)
    return { ok: false, problem: `${text.trim()} moles to one is more than any preparation uses. Check the figure.` }
  if (isProduct(line)) {
    return {
      ok: false,
      problem: `How much ${name} can form follows from the coefficients. Change a coefficient, or type the mass you want.`,
    }
  }
  if (line.id !== plan.reference) return { ok: true, value: withAnchor(plan, line.id, { of: 'ratio', ratio: value, decimals }) }
  if (value === 1) return { ok: true, value: plan }
  return moveReference(plan, line, value, decimals)
}

/** The reference line is r to one of another reactant: that reactant becomes the reference, and every other amount stays. */
function moveReference(plan: Plan, line: Line, ratio: number, decimals: number): Reading<Plan> {
  const next = plan.lines.find((other) => isReactant(other) && other.id !== line.id && other.anchor)
  if (!next) {
    return {
      ok: false,
      problem: 'Ratios count from this line, and there is no other reactant to count from. Type its mass, volume or amount.',
    }
  }
  const table = reactionTable(plan)
  const lines = plan.lines.map((other): Line => {
    if (other.id === line.id) return { ...other, anchor: { of: 'ratio', ratio, decimals } }
    if (other.anchor?.of !== 'ratio' && other.anchor?.of !== 'mol-percent') return other
    const { amount } = computedLine(table, other.id)
    if (!amount) return other
    const kept = { value: amount.value, unit: 'mmol' as const, decimals: decimalsJustified(amount) }
    return { ...other, anchor: { of: 'amount', quantity: kept } }
  })
  return { ok: true, value: { ...plan, reference: next.id, lines } }
}

/** The plan after a person typed a coefficient: a whole number or a simple fraction, more than zero. */
export function editCoefficient(plan: Plan, id: string, text: string): Reading<Plan> {
  const read = readNumber(text)
  if (!read.ok) return { ok: false, problem: `${read.problem} Write a coefficient such as 1 or 2.` }
  const { value } = read.value
  if (value <= 0) return { ok: false, problem: 'A coefficient is more than zero: write for example 1 or 2.' }
  if (value > 100) return { ok: false, problem: 'Coefficients above 100 do not occur here. Check the figure.' }
  if (!Number.isInteger(value * 6))
    return { ok: false, problem: 'A coefficient is a whole number such as 2, or a simple fraction such as 1/2.' }
  return {
    ok: true,
    value: { ...plan, lines: plan.lines.map((line) => (line.id === id ? { ...line, coefficient: value } : line)) },
  }
}

function withAnchor(plan: Plan, id: string, anchor: Anchor): Plan {
  return { ...plan, lines: plan.lines.map((line) => (line.id === id ? { ...line, anchor } : line)) }
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1)
}
