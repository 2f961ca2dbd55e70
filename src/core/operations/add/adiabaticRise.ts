/**
 * Kelvins that a mixture would warm by if no heat left it: ΔT = n·(−ΔH)/Σ(m·c_p), with n in mmol, −ΔH in kJ/mol, masses in g.
 * @throws RangeError where there is nothing to warm
 */
export function adiabaticRise(mmol: number, releasedKJPerMol: number, masses: readonly { g: number; cp: number }[]): number {
  const capacity = masses.reduce((sum, { g, cp }) => sum + g * cp, 0)
  if (!(capacity > 0)) throw new RangeError('There is nothing in the flask to take up the heat.')
  return (mmol * releasedKJPerMol) / capacity
}
