import { FormulaError, readFormula } from './readFormula'

const known = new Map<string, ReadonlySet<string>>()

/** The elements of a formula, by their symbols; none for what is no formula. */
export function elementsIn(formula: string | undefined): ReadonlySet<string> {
  if (formula === undefined) return new Set()
  const found = known.get(formula) ?? read(formula)
  known.set(formula, found)
  return found
}

function read(formula: string): ReadonlySet<string> {
  try {
    return new Set(Object.keys(readFormula(formula).atoms))
  } catch (error) {
    if (error instanceof FormulaError) return new Set()
    throw error
  }
}

/** Carbon and hydrogen, and nothing else. */
export const isHydrocarbon = (formula: string | undefined): boolean => {
  const elements = elementsIn(formula)
  return elements.size === 2 && elements.has('C') && elements.has('H')
}

const metals: ReadonlySet<string> = new Set(['Mg', 'Zn', 'Fe', 'Sn', 'Al', 'Cu', 'Pd', 'Na', 'Li'])

/** A metal as such, of those that preparations use. */
export const isMetal = (formula: string | undefined): boolean => {
  const elements = elementsIn(formula)
  return elements.size === 1 && [...elements].every((element) => metals.has(element))
}
