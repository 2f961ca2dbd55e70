import { readFormula } from './readFormula'

/** Numbers of atoms over all the parts of a formula that a structure gives, such as `C2H3O2.Na`: parts that no bond joins are parted by dots. */
export function atomsOfParts(formula: string): Record<string, number> {
  const atoms: Record<string, number> = {}
  for (const part of formula.split('.'))
    for (const [element, count] of Object.entries(readFormula(part).atoms)) atoms[element] = (atoms[element] ?? 0) + count
  return atoms
}

/** Whether a typed formula has the atoms of a structure's formula. @throws FormulaError where one cannot be read */
export function sameAtoms(typed: string, drawn: string): boolean {
  const inOrder = (counts: Readonly<Record<string, number>>) => JSON.stringify(Object.entries(counts).sort())
  return inOrder(readFormula(typed).atoms) === inOrder(atomsOfParts(drawn))
}
