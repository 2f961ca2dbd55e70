import type { FunctionalGroup } from '@/core/substance/lists'
import type { ReactiveClass } from '@/core/substance/reactiveClass'
import { groupsOf } from '@/reference/structures/functionalGroups'
import { reactiveClassesShown } from '@/reference/structures/reactiveGroups'
import { readStructure as read, recordWith } from '@/reference/structures/readStructure'

export { mostAtoms, StructureError } from '@/reference/structures/readStructure'

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
    same: recordWith(molecule.getIDCode(), formula)?.name ?? null,
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
