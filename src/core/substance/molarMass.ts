import { atomicWeights } from './atomicWeights'
import { readFormula } from './readFormula'

/**
 * Molar mass in g/mol of a formula, the mass of electrons neglected for ions.
 * `molarMass('CuSO4·5H2O')` is 249.68 to two decimals.
 * @throws FormulaError where the formula cannot be read.
 */
export function molarMass(formula: string): number {
  let sum = 0
  for (const [symbol, count] of Object.entries(readFormula(formula).atoms)) sum += atomicWeights[symbol]! * count
  return sum
}
