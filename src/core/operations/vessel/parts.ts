import { molarMass } from '../../substance/molarMass'
import { ionsIn } from '../../substance/shapes'
import type { Substance } from '../../substance/substance'
import { solutionSolvents } from '../../substance/solutionSolvents'
import { vapourConstants, water as waterConstants } from '../../substance/boilsAt'
import { logPLimits } from '../../substance/waterLimits'
import { classesOf } from '../../reaction/reactiveClasses'
import type { Component } from '../../matter/equilibrium'
import type { Content } from './content'
import { boilsByTable } from '../../matter/strongAcids'
import { isWatery } from './watery'

/** A liquid, or something dissolved, as it counts for where a vessel boils. */
export interface Part extends Component {
  smiles: string | undefined
  mmol: number
  substance: Substance | null
  /** It goes into the water where there are two layers. */
  inWater: boolean
}

/** The water of all that is there stands as one part; no record is behind it. */
export const isWater = ({ substance }: Part) => substance === null

/** Constants of what has no vapour pressure: what is dissolved. */
export const nothing = { a: -12, b: 0, c: 1000 }
/** g/mol. */
export const waterMass = 18.015

const staysSolid = ['zinc or iron', 'magnesium', 'aluminium', 'hydrogenation catalyst', 'manganese dioxide'] as const

/** Water and what it is mixed from: the water of a solution is what its solute leaves of its mass. */
export function parts(contents: readonly Content[]): { parts: Part[]; unknown: string[] } {
  const unknown: string[] = []
  let waterG = 0
  const found = contents.flatMap((content): Part[] => {
    const { substance, line, massG, mmol } = content
    if (substance.formula === 'H2O') {
      waterG += massG ?? content.volumeML ?? 0
      return []
    }
    const gPerMol = substance.formula === undefined ? null : molarMass(substance.formula)
    const dissolvedIn = solventOf(content)
    if (isWatery(content)) {
      if (mmol !== null && gPerMol !== null) waterG += Math.max(0, (massG ?? content.volumeML ?? 0) - (mmol * gPerMol) / 1000)
      else unknown.push(substance.name)
    }
    if (mmol === null || gPerMol === null || mmol <= 0) {
      if (line.form.kind === 'neat') unknown.push(substance.name)
      return []
    }
    if (line.form.kind === 'solid' && staysSolid.some((each) => classesOf(substance, line).has(each))) return []
    const dissolved = line.form.kind === 'solid' || ionsIn(substance.smiles) > 1 || dissolvedIn.length > 0
    const constants = dissolved || boilsByTable(substance.formula) ? nothing : vapourConstants(substance)
    if (!constants) {
      unknown.push(substance.name)
      return []
    }
    const salt = ionsIn(substance.smiles) > 1
    const { a, b, c } = constants
    return [
      ...dissolvedIn,
      {
        name: substance.name,
        smiles: substance.smiles,
        substance,
        a,
        b,
        c,
        gPerMol,
        gPerML: substance.density?.gPerML ?? 1,
        mmol: mmol * ionsIn(substance.smiles),
        inWater:
          salt || boilsByTable(substance.formula) || (substance.logP !== undefined && substance.logP.value < logPLimits.layer),
      },
    ]
  })
  const { a, b, c } = waterConstants.antoine
  const water: Part[] =
    waterG > 0
      ? [
          {
            name: 'water',
            smiles: 'O',
            substance: null,
            a,
            b,
            c,
            gPerMol: waterMass,
            gPerML: 1,
            mmol: (1000 * waterG) / waterMass,
            inWater: true,
          },
        ]
      : []
  return { parts: [...water, ...together(found)], unknown }
}

/** What stands in two lines, or is a line and the solvent of another, is one liquid. */
const together = (parts: readonly Part[]): Part[] =>
  parts.reduce<Part[]>((all, part) => {
    const at = all.findIndex(({ name, a }) => name === part.name && a === part.a)
    return at < 0 ? [...all, part] : all.with(at, { ...all[at]!, mmol: all[at]!.mmol + part.mmol })
  }, [])

/** The solvent of a solution that is not one in water: its volume, less nothing for what is dissolved. */
function solventOf({ line: { form }, volumeML }: Content): Part[] {
  if (!('solvent' in form) || form.solvent === undefined || volumeML === null) return []
  const { formula, smiles, gPerML, boilsC, groups } = solutionSolvents[form.solvent]
  const substance: Substance = {
    id: form.solvent,
    name: form.solvent,
    formula,
    smiles,
    groups: [...groups],
    boiling: { lowC: boilsC, highC: boilsC, source: '' },
  }
  const gPerMol = molarMass(formula)
  return [
    {
      ...vapourConstants(substance)!,
      name: form.solvent,
      smiles,
      substance,
      gPerMol,
      gPerML,
      mmol: (1000 * volumeML * gPerML) / gPerMol,
      inWater: false,
    },
  ]
}
