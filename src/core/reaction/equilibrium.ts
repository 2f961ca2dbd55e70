import type { Plan } from '../plan/plan'
import type { ReactionTable } from './reactionTable'

/**
 * The largest fraction of the limiting reactant that an equilibrium A + B ⇌ C + D can turn over when nothing is removed:
 * K = x²/((1 − x)(r − x)), with r moles of the other reactant to one. K = 4: 67 % at 1:1, 97 % at 1:10.
 * @throws RangeError unless both are positive.
 */
export function equilibriumCeiling(constant: number, ratio: number): number {
  if (!(constant > 0) || !(ratio > 0)) throw new RangeError('An equilibrium constant and a ratio are positive numbers.')
  const [k, r] = ratio >= 1 ? [constant, ratio] : [constant, 1 / ratio]
  // (K − 1)x² − K(1 + r)x + K·r = 0; the form with the root in the denominator stays true at K = 1.
  const b = k * (1 + r)
  return (2 * k * r) / (b + Math.sqrt(b * b - 4 * (k - 1) * k * r))
}

/**
 * The ceiling that a plan's equilibrium sets on its yield, as a fraction of the theoretical; null where the plan names none, or where
 * the reaction is not one mole with one mole, for which the constant says something else.
 */
export function yieldCeiling(plan: Plan, table: ReactionTable): number | null {
  const reactants = table.lines.filter(({ excess }) => excess !== null)
  if (!plan.equilibrium || reactants.length !== 2 || reactants.some(({ line }) => line.coefficient !== 1)) return null
  return equilibriumCeiling(plan.equilibrium.constant, 1 + Math.max(...reactants.map(({ excess }) => excess!)))
}
