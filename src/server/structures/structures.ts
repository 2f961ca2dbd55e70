import { isInEquation, isProduct, isReactant, substanceOf, type Line, type Plan } from '@/core/plan/plan'
import { Refusal } from '../refusal'
import { drawingOf, molfileOf } from './structureReader'

/** Drawings of a plan's substances as SVG, by substance id; nothing for those without a structure. */
export async function structuresOf(plan: Plan): Promise<Record<string, string>> {
  const drawn = await Promise.all(
    plan.substances.map(async ({ id, name, smiles }) => [id, await drawStructure(smiles, name)] as const),
  )
  return Object.fromEntries(drawn.filter((each): each is [string, string] => each[1] !== null))
}

/** A structure drawn and named for those who cannot see it; null where there is none, or none that can be drawn. */
export async function drawStructure(smiles: string | undefined, name: string): Promise<string | null> {
  const svg = smiles ? await drawingOf(smiles) : null
  return svg && svg.replace('<svg', `<svg role="img" aria-label="Structure of ${name.replace(/[^\w ,·()-]/g, '')}"`)
}

/** Ways in which the structures of a plan go out. */
export const structureFormats = {
  sdf: { type: 'chemical/x-mdl-sdfile', write: sdfOf },
  rxn: { type: 'chemical/x-mdl-rxnfile', write: rxnOf },
  smi: { type: 'chemical/x-daylight-smiles', write: smilesOf },
} as const

export type StructureFormat = keyof typeof structureFormats

/** Words that go into a line of a structure file, which a line break would end: a name with one could forge what follows. */
const oneLine = (text: string) => text.replace(/[\s\p{Cc}]+/gu, ' ').trim()

async function namedMolfile(name: string, smiles: string): Promise<string> {
  return `${oneLine(name)}\n${await molfileOf(smiles)}`
}

/** The plan's structures as an SDF: a molfile each, with name, formula and SMILES as data. Substances without a structure are left out. */
async function sdfOf(plan: Plan): Promise<string> {
  const entries = plan.substances.map(async ({ name, formula, smiles }) => {
    if (!smiles) return ''
    const data = { NAME: oneLine(name), ...(formula ? { FORMULA: oneLine(formula) } : {}), SMILES: oneLine(smiles) }
    const items = Object.entries(data).map(([key, value]) => `>  <${key}>\n${value}\n`)
    return [await namedMolfile(name, smiles), ...items, '$$$$', ''].join('\n')
  })
  return (await Promise.all(entries)).join('')
}

/**
 * The equation as an RXN file, version V2000: reactants, then products, each molecule once for each whole number of its coefficient, for the format has no
 * coefficients. @throws Refusal 404 where a reactant or product has no structure, or nothing is made
 */
async function rxnOf(plan: Plan): Promise<string> {
  const side = async (lines: Line[]) => {
    const molecules = lines.map(async (line) => {
      const { name, smiles } = substanceOf(plan, line)
      if (!smiles)
        throw new Refusal(
          404,
          `${name} has no structure, so the equation cannot be written as RXN. The SDF holds those that are known.`,
        )
      return new Array<string>(Math.max(1, Math.round(line.coefficient ?? 1))).fill(await namedMolfile(name, smiles))
    })
    return (await Promise.all(molecules)).flat()
  }
  const left = await side(plan.lines.filter(isReactant))
  const right = await side(plan.lines.filter((line) => isProduct(line) && isInEquation(line)))
  if (left.length === 0 || right.length === 0)
    throw new Refusal(404, 'Nothing is made in this preparation, so there is no equation to write as RXN.')
  const count = (molecules: string[]) => String(molecules.length).padStart(3)
  return [
    '$RXN',
    oneLine(plan.title).slice(0, 80),
    '      Mozle',
    '',
    `${count(left)}${count(right)}`,
    ...[...left, ...right].flatMap((molfile) => ['$MOL', molfile]),
    '',
  ].join('\n')
}

/** One structure to a line: SMILES, a tab, the name. */
async function smilesOf(plan: Plan): Promise<string> {
  return plan.substances.flatMap(({ name, smiles }) => (smiles ? [`${oneLine(smiles)}\t${oneLine(name)}\n`] : [])).join('')
}
