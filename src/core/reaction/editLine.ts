import { decimalsJustified } from '../quantity/figure'
import { readNumber, readQuantity, type Reading } from '../quantity/readQuantity'
import { inBaseUnit } from '../quantity/unit'
import { densityOf, isProduct, isReactant, substanceOf, type Anchor, type Line, type Plan } from '../plan/plan'
import { computedLine, reactionTable } from './reactionTable'
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
  const read = readQuantity(text, column)
  if (!read.ok) return read
  const name = substanceOf(plan, line).name
  if (column === 'mass' && line.form.kind === 'solution') {
    return { ok: false, problem: `A solution of ${name} is measured by volume: its density is not in the plan. Type the volume.` }
  }
  if (column === 'volume' && line.form.kind !== 'solution' && !densityOf(plan, line)) {
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

function editRatio(plan: Plan, line: Line, text: string): Reading<Plan> {
  const name = substanceOf(plan, line).name
  if (/[a-zA-Zµ%]/.test(text))
    return { ok: false, problem: 'A ratio is a plain number of moles per mole of the reference: write for example 1.20.' }
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
    if (other.anchor?.of !== 'ratio') return other
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
