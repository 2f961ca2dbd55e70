import { Molecule } from 'openchemlib'
import type { FunctionalGroup } from '@/core/substance/lists'
import type { ReactiveClass } from '@/core/substance/reactiveClass'
import { sameAtoms } from '@/core/substance/sameAtoms'
import { substanceRecords } from '@/reference/records'
import { groupsOf } from './functionalGroups'
import { reactiveClassesShown } from './reactiveGroups'

/** A structure that is refused, in words for the person who typed it. */
export class StructureError extends Error {
  override name = 'StructureError'
}

/** More atoms than these, hydrogens aside, is no molecule of a teaching laboratory. */
export const mostAtoms = 250
const tooLarge = `A structure may have up to ${mostAtoms} atoms. Write this substance by its formula instead.`

/** What is read from a structure. */
export interface Understood {
  formula: string
  smiles: string
  groups: FunctionalGroup[]
  /** What it does to others, as far as a structure shows it. */
  classes: ReactiveClass[]
  /** The name of the record with the same structure. */
  same: string | null
}

/** Reads SMILES, or a molfile or the first entry of an SDF. @throws StructureError */
export function understand(text: string): Understood {
  const molecule = read(text)
  const { formula } = molecule.getMolecularFormula()
  return {
    formula,
    smiles: molecule.toIsomericSmiles(),
    groups: groupsOf(molecule),
    classes: reactiveClassesShown(molecule),
    same: recordWith(molecule.getIDCode(), formula),
  }
}

/**
 * A structure drawn from SMILES in the page's own inks, every drawing at the same bond length: the sheet is so large that the drawing is never shrunk to it, and then cut to the drawing.
 * Style elements and event targets of the generator are taken out: the content security policy refuses the first, and nothing uses the second.
 */
export function draw(smiles: string): string {
  return (
    read(smiles)
      .toSVG(20_000, 20_000, 'mol', {
        autoCrop: true,
        autoCropMargin: 3,
        suppressChiralText: true,
        suppressESR: true,
        suppressCIPParity: true,
        noStereoProblem: true,
      })
      .replace(/<style[\s\S]*?<\/style>/g, '')
      .replace(/<(line|circle)[^>]*class="event"[^>]*\/>/g, '')
      .replace(/ id="[^"]*"/g, '')
      .replace(/fill="rgb\(0,0,0\)"/g, 'fill="currentColor"')
      .replace(/stroke="rgb\(0,0,0\)"/g, 'stroke="currentColor"')
      .replace(/stroke="none" font-size/g, 'font-size')
      // In ems of bonds and a half: a page sets one size for all the molecules of a scheme.
      .replace(
        / width="([\d.]+)px" height="([\d.]+)px"/,
        (_all, width: string, height: string) => ` width="${Number(width) / pxToEm}em" height="${Number(height) / pxToEm}em"`,
      )
  )
}

/** Bonds are drawn 24 px long, which are one and a half ems. */
const pxToEm = 16

/** A structure as a molfile without its first line, which is for a name. @throws StructureError */
export function molfile(smiles: string): string {
  return read(smiles).toMolfile().split('\n').slice(1).join('\n').trimEnd()
}

function read(text: string): Molecule {
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
function recordWith(code: string, formula: string): string | null {
  const found = substanceRecords.find(
    (record) =>
      record.smiles &&
      record.formula &&
      sameAtoms(record.formula, formula) &&
      Molecule.fromSmiles(record.smiles).getIDCode() === code,
  )
  return found?.name ?? null
}
