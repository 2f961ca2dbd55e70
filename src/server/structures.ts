import { Molecule } from 'openchemlib'
import { isProduct, isReactant, substanceOf, type Line, type Plan } from '@/core/plan/plan'
import { Refusal } from './refusal'

/** Pictures that were drawn before, by structure and name. */
const kept = new Map<string, string | null>()

/** Drawings of a plan's substances as SVG, by substance id; nothing for those without a structure. */
export function structuresOf(plan: Plan): Record<string, string> {
  return Object.fromEntries(
    plan.substances.flatMap(({ id, name, smiles }) => {
      const svg = smiles ? drawStructure(smiles, name) : null
      return svg ? [[id, svg]] : []
    }),
  )
}

/**
 * A structure drawn from SMILES in the page's own inks. Style elements and event targets of the generator are taken out: the content
 * security policy refuses the first, and nothing uses the second.
 */
export function drawStructure(smiles: string, name: string): string | null {
  const key = `${smiles} ${name}`
  const before = kept.get(key)
  if (before !== undefined) return before
  let svg: string | null = null
  try {
    const molecule = Molecule.fromSmiles(smiles)
    svg = molecule
      .toSVG(220, 160, 'mol', {
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
      .replace('<svg', `<svg role="img" aria-label="Structure of ${name.replace(/[^\w ,·()-]/g, '')}"`)
  } catch {
    svg = null
  }
  kept.set(key, svg)
  return svg
}

/** Ways in which the structures of a plan go out. */
export const structureFormats = {
  sdf: { type: 'chemical/x-mdl-sdfile', write: sdfOf },
  rxn: { type: 'chemical/x-mdl-rxnfile', write: rxnOf },
  smi: { type: 'chemical/x-daylight-smiles', write: smilesOf },
} as const

export type StructureFormat = keyof typeof structureFormats

/** A substance's structure as a molfile that begins with its name. */
function molfileOf(name: string, smiles: string): string {
  const [, ...molfile] = Molecule.fromSmiles(smiles).toMolfile().split('\n')
  return [name, ...molfile].join('\n').trimEnd()
}

/** The plan's structures as an SDF: a molfile each, with name, formula and SMILES as data. Substances without a structure are left out. */
function sdfOf(plan: Plan): string {
  return plan.substances
    .flatMap(({ name, formula, smiles }) => {
      if (!smiles) return []
      const data = { NAME: name, ...(formula ? { FORMULA: formula } : {}), SMILES: smiles }
      return [molfileOf(name, smiles), ...Object.entries(data).map(([key, value]) => `>  <${key}>\n${value}\n`), '$$$$']
    })
    .join('\n')
    .concat('\n')
}

/**
 * The equation as an RXN file, version V2000: reactants, then products, each molecule once for each whole number of its coefficient, for the format has no
 * coefficients. @throws Refusal 404 where a reactant or product has no structure, or nothing is made
 */
function rxnOf(plan: Plan): string {
  const side = (lines: Line[]) =>
    lines.flatMap((line) => {
      const { name, smiles } = substanceOf(plan, line)
      if (!smiles)
        throw new Refusal(
          404,
          `${name} has no structure, so the equation cannot be written as RXN. The SDF holds those that are known.`,
        )
      return Array.from({ length: Math.max(1, Math.round(line.coefficient ?? 1)) }, () => molfileOf(name, smiles))
    })
  const left = side(plan.lines.filter(isReactant))
  const right = side(plan.lines.filter((line) => isProduct(line) && line.coefficient !== null))
  if (left.length === 0 || right.length === 0)
    throw new Refusal(404, 'Nothing is made in this preparation, so there is no equation to write as RXN.')
  const count = (molecules: string[]) => String(molecules.length).padStart(3)
  return [
    '$RXN',
    plan.title.slice(0, 80),
    '      Mozle',
    '',
    `${count(left)}${count(right)}`,
    ...[...left, ...right].flatMap((molfile) => ['$MOL', molfile]),
    '',
  ].join('\n')
}

/** One structure to a line: SMILES, a tab, the name. */
function smilesOf(plan: Plan): string {
  return plan.substances.flatMap(({ name, smiles }) => (smiles ? [`${smiles}\t${name}\n`] : [])).join('')
}
