import { Molecule } from 'openchemlib'
import { functionalGroups, type FunctionalGroup } from '@/core/substance/lists'

const [carbon, nitrogen, oxygen] = [6, 7, 8]

/**
 * The groups of a molecule that decide how it is washed and dried, one entry for each, in a fixed order. Amides and nitro groups are no
 * amines, carbonic acid and its salts no carboxylic acids; the oxygen of an acid, ester or anhydride is neither alcohol nor ether; pyridine counts as an amine, for it is as basic.
 */
export function groupsOf(molecule: Molecule): FunctionalGroup[] {
  molecule.ensureHelperArrays(Molecule.cHelperRings)
  const found: FunctionalGroup[] = []
  const neighbours = (atom: number) =>
    Array.from({ length: molecule.getConnAtoms(atom) }, (_, at) => molecule.getConnAtom(atom, at))
  const orderTo = (atom: number, other: number) => molecule.getBondOrder(molecule.getBond(atom, other))
  const carbonyl = (atom: number) =>
    molecule.getAtomicNo(atom) === carbon &&
    neighbours(atom).some((other) => molecule.getAtomicNo(other) === oxygen && orderTo(atom, other) === 2)
  for (let atom = 0; atom < molecule.getAllAtoms(); atom++) {
    const around = neighbours(atom)
    const carbons = around.filter((other) => molecule.getAtomicNo(other) === carbon)
    const hydrogens = molecule.getAllHydrogens(atom)
    const element = molecule.getAtomicNo(atom)
    if (element === oxygen && molecule.getAtomCharge(atom) === 0 && around.every((other) => orderTo(atom, other) === 1)) {
      if (carbons.length === 1 && around.length === 1 && hydrogens === 1) {
        const bearer = carbons[0]!
        const oxygens = neighbours(bearer).filter((other) => molecule.getAtomicNo(other) === oxygen).length
        if (carbonyl(bearer) && oxygens > 2) continue
        found.push(carbonyl(bearer) ? 'carboxylic acid' : molecule.isAromaticAtom(bearer) ? 'phenol' : 'alcohol')
      } else if (carbons.length === 2 && !molecule.isAromaticAtom(atom)) {
        const acyl = carbons.filter(carbonyl).length
        if (acyl < 2) found.push(acyl === 1 ? 'ester' : 'ether')
      }
    }
    if (element === nitrogen && molecule.getAtomCharge(atom) === 0 && around.length === carbons.length) {
      const aromatic = molecule.isAromaticAtom(atom)
      const single = around.every((other) => orderTo(atom, other) === 1)
      if (aromatic ? hydrogens === 0 && around.length === 2 : single && !carbons.some(carbonyl)) found.push('amine')
    }
    if (carbonyl(atom) && around.filter((other) => molecule.getAtomicNo(other) === oxygen).length === 1) {
      if (hydrogens > 0 && carbons.length + hydrogens === 2) found.push('aldehyde')
      else if (carbons.length === 2) found.push('ketone')
    }
  }
  return found.sort((a, b) => functionalGroups.indexOf(a) - functionalGroups.indexOf(b))
}
