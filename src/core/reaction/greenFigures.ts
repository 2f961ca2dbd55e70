import { isReactant, type Plan } from '../plan/plan'
import { balance } from './balance'
import { chargedLines, theoreticalYield, type ReactionTable } from './reactionTable'

export interface GreenFigures {
  /** M(product)·ν / Σ ν·M of the reactants, as a fraction. */
  atomEconomy: number
  /** Grams of waste per gram of product at the expected yield; water counts. */
  eFactor: number | null
  /** Grams of everything charged per gram of product at the expected yield. */
  massIntensity: number | null
}

/**
 * Atom economy from the equation (Trost 1991); process mass intensity Σ m(charged)/m(product) and E factor, which is that less one (Sheldon 1992),
 * at the middle of the expected yield. Null while the equation does not balance, for then it makes mass out of nothing. Lines without a mass make the last two a lower bound, so they are null while one is missing.
 */
export function greenFigures(plan: Plan, table: ReactionTable): GreenFigures | null {
  const product = table.lines.find(({ line }) => line.id === plan.mainProduct)
  const reactants = table.lines.filter(({ line }) => isReactant(line))
  if (!product?.molarMass || reactants.length === 0 || balance(plan).imbalances.length > 0) return null
  const consumed = reactants.reduce((sum, { line, molarMass }) => sum + line.coefficient! * (molarMass ?? 0), 0)
  const charged = chargedLines(table)
  const complete = charged.every(({ mass }) => mass !== null)
  const theory = theoreticalYield(plan, table)?.value
  const span = plan.expectedYield
  const expected = theory && span ? (theory * (span.low + span.high)) / 2 : null
  const massIntensity = complete && expected ? charged.reduce((sum, { mass }) => sum + mass!.value, 0) / expected : null
  return {
    atomEconomy: ((product.line.coefficient ?? 1) * product.molarMass) / consumed,
    massIntensity,
    eFactor: massIntensity === null ? null : massIntensity - 1,
  }
}
