import { Molecule } from 'openchemlib'
import type { Plan } from '@/core/plan/plan'

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

/** The plan's structures as an SDF: a molfile each, with name, formula and SMILES as data. Substances without a structure are left out. */
export function sdfOf(plan: Plan): string {
  return plan.substances
    .flatMap(({ name, formula, smiles }) => {
      if (!smiles) return []
      const [, ...molfile] = Molecule.fromSmiles(smiles).toMolfile().split('\n')
      const data = { NAME: name, FORMULA: formula, SMILES: smiles }
      return [
        [name, ...molfile].join('\n').trimEnd(),
        ...Object.entries(data).map(([key, value]) => `>  <${key}>\n${value}\n`),
        '$$$$',
      ]
    })
    .join('\n')
    .concat('\n')
}
