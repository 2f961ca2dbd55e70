import { gases } from '../reaction/gases'
import { weak } from './minerals'
import { atomsOf, noAtoms, plusAtoms, type Thing } from './thing'

const formulas = Object.values(gases).map(({ formula }) => atomsOf(formula)!.atoms)

/** Boiling points below this are of gases at the bench, °C. */
const belowC = 15

const known = new WeakMap<Thing, boolean>()

/** True for what is a gas at the bench: by the table of gases, else by its boiling point. */
export function isGas(thing: Thing): boolean {
  const found = known.get(thing)
  if (found !== undefined) return found
  const { atoms, charge, substance } = thing
  const is =
    atoms !== null &&
    charge === 0 &&
    (formulas.some((each) => noAtoms(plusAtoms(each, atoms, -1))) ||
      (substance.boiling !== undefined && substance.boiling.highC < belowC))
  known.set(thing, is)
  return is
}

const byPH = new Set<Thing>(Object.values(weak))

/** True for what stays in water as far as its pH holds it. */
export const staysByPH = (thing: Thing): boolean => byPH.has(thing)
