import { Molecule } from 'openchemlib'
import { sameAtoms } from '@/core/substance/sameAtoms'
import type { SubstanceRecord } from '@/core/substance/record'
import { substanceRecords } from '../records'

/** A structure that is refused, in words for the person who typed it. */
export class StructureError extends Error {
  override name = 'StructureError'
}

/** More atoms than these, hydrogens aside, is no molecule of a teaching laboratory. */
export const mostAtoms = 250
const tooLarge = `A structure may have up to ${mostAtoms} atoms. Write this substance by its formula instead.`

/** A molecule from SMILES or a molfile. @throws StructureError */
export function readStructure(text: string): Molecule {
  const asMolfile = /V[23]000|M {2}END/.test(text)
  // Counted before it is read: a few bytes may promise more atoms than there is memory for.
  if (asMolfile ? atomsPromised(text) > mostAtoms : atomsWritten(text) > mostAtoms) throw new StructureError(tooLarge)
  let molecule: Molecule | undefined
  try {
    molecule = asMolfile ? Molecule.fromMolfile(text) : Molecule.fromSmiles(text.trim())
  } catch {
    // The reader's own message names nothing a chemist could use.
  }
  if (!molecule || molecule.getAllAtoms() === 0)
    throw new StructureError('This is neither SMILES (such as CC(=O)O) nor a molfile that ends with “M  END”.')
  if (molecule.getAllAtoms() > mostAtoms) throw new StructureError(tooLarge)
  return molecule
}

/** The number of atoms that the counts line of a molfile announces, and never less than its lines could hold. */
function atomsPromised(text: string): number {
  const version3 = /^M {2}V30 COUNTS\s+(\d+)\s+(\d+)/m.exec(text)
  if (version3) return Math.max(Number(version3[1]), Number(version3[2]))
  const counts = text.split(/\r?\n/, 4)[3] ?? ''
  const [atoms, bonds] = [counts.slice(0, 3), counts.slice(3, 6)].map(Number)
  // What is no number is left to the reader to refuse.
  return Math.max(atoms || 0, bonds || 0)
}

/** Never less than the atoms of a SMILES string: its letters, of which two make one atom only in brackets, in Cl and in Br. */
function atomsWritten(text: string): number {
  return text
    .replace(/\[[^\]]*\]/g, 'C')
    .replace(/Cl|Br/g, 'C')
    .replace(/[^A-Za-z*]/g, '').length
}

/** The record with this structure. Only records of the same formula are read, for reading all of them takes seconds. */
export function recordWith(code: string, formula: string): SubstanceRecord | undefined {
  return substanceRecords.find(
    (record) =>
      record.smiles &&
      record.formula &&
      sameAtoms(record.formula, formula) &&
      Molecule.fromSmiles(record.smiles).getIDCode() === code,
  )
}
