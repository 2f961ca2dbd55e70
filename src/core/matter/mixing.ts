import { isHydrocarbon } from '../substance/atoms'
import { sameStructure } from '../substance/structure'
import { logPLimits } from '../substance/waterLimits'
import { isWater, type Thing } from './thing'

/** Whether two liquids mix: fully, not, or nobody can say from what is on record. */
export type Mixes = 'mix' | 'part' | 'cannot be told'

/** Liquids that mix with water in all proportions (CRC Handbook of Chemistry and Physics, solvents; Merck Index; not compared with them). */
const withWater = [
  'CO',
  'CCO',
  'CCCO',
  'CC(C)O',
  'CC(C)(C)O',
  'OCCO',
  'CC(O)CO',
  'OCC(O)CO',
  'CC(C)=O',
  'CC#N',
  'C1CCOC1',
  'C1COCCO1',
  'COCCOC',
  'CN(C)C=O',
  'CN(C)C(C)=O',
  'CS(C)=O',
  'CN1CCCC1=O',
  'OC=O',
  'CC(O)=O',
  'CCC(O)=O',
  'c1ccncc1',
  'NCCO',
]

/** Liquids that part from water, though their log P or their carbon count leaves it open; each dissolves to some grams in 100 mL (CRC Handbook, aqueous solubility of organic compounds; not compared with it). */
const fromWater = [
  'CCOC(C)=O',
  'COC(C)=O',
  'CCC(C)=O',
  'CCOCC',
  'COC(C)(C)C',
  'CCCCO',
  'CC(C)CO',
  'CCC(C)O',
  'Nc1ccccc1',
  'CCN(CC)CC',
  'ClCCl',
  'ClC(Cl)Cl',
]

/** Polar liquids that part from alkanes (solvent miscibility charts of laboratory manuals; not compared with a print). */
const fromAlkanes = [
  'CO',
  'CC#N',
  'CN(C)C=O',
  'CN(C)C(C)=O',
  'CS(C)=O',
  'CN1CCCC1=O',
  'OCCO',
  'CC(O)CO',
  'OCC(O)CO',
  'C[N+]([O-])=O',
  'CN=O',
]
/** Polyols that part from ethers, esters' like and aromatic hydrocarbons too. */
const polyols = ['OCCO', 'OCC(O)CO']

const isOneOf = (list: readonly string[], { substance: { smiles } }: Thing) =>
  smiles !== undefined && list.some((each) => sameStructure(each, smiles))

/** Groups that hold on to water. */
const polar = ['alcohol', 'phenol', 'carboxylic acid', 'amine', 'ester', 'aldehyde', 'ketone', 'ether'] as const

/** Grams of a liquid in 100 mL of water from which on it mixes in any proportion that a bench has. */
const mixesFrom = 100

/**
 * Whether a liquid mixes with water: by structure where it is listed, by its solubility on record, by its log P (limits as in waterLimits.ts), by carbon and hydrogen alone, else by its carbon atoms to a polar group: at least five part, at most three mix (the rule of
 * textbooks of qualitative analysis, as Shriner and others have it). Four cannot be told.
 */
export function mixesWithWater(thing: Thing): Mixes {
  if (isWater(thing)) return 'mix'
  const known = remembered.get(thing)
  if (known) return known
  const found = lookUp(thing)
  remembered.set(thing, found)
  return found
}

const remembered = new WeakMap<Thing, Mixes>()

function lookUp(thing: Thing): Mixes {
  const { substance, atoms } = thing
  if (isOneOf(withWater, thing)) return 'mix'
  if (isOneOf(fromWater, thing)) return 'part'
  const inWater = substance.solubility?.find(({ solvent }) => solvent === 'water')
  if (inWater) return inWater.points.every(({ gPer100ML }) => gPer100ML >= mixesFrom) ? 'mix' : 'part'
  if (substance.logP) return substance.logP.value >= logPLimits.layer ? 'part' : 'mix'
  if (isHydrocarbon(substance.formula)) return 'part'
  // A mixture of hydrocarbons has no formula; of any other nobody knows.
  if (atoms === null) return substance.classes?.includes('hydrocarbon') ? 'part' : 'cannot be told'
  const carbons = atoms.C ?? 0
  // A mineral acid mixes, a halogen or a halide without hydrogen parts.
  if (carbons === 0) return atoms.O || atoms.H ? 'mix' : 'part'
  const heteroatoms = (atoms.O ?? 0) + (atoms.N ?? 0)
  // Halides and other liquids without oxygen or nitrogen hold no water.
  if (heteroatoms === 0) return 'part'
  const groups = substance.groups?.filter((group) => polar.includes(group)).length ?? 0
  if (groups === 0) return carbons >= 6 ? 'part' : 'cannot be told'
  const perGroup = carbons / groups
  return perGroup >= 5 ? 'part' : perGroup <= 3 ? 'mix' : 'cannot be told'
}

const isAlkane = ({ substance: { formula, smiles } }: Thing) =>
  isHydrocarbon(formula) && smiles !== undefined && !/[c=#]/.test(smiles)

/** Whether two liquids mix with each other; organic ones do, but for alkanes with very polar ones and polyols with what is not. */
export function mix(one: Thing, other: Thing): Mixes {
  if (one === other) return 'mix'
  if (isWater(one)) return mixesWithWater(other)
  if (isWater(other)) return mixesWithWater(one)
  if ((isAlkane(one) && isOneOf(fromAlkanes, other)) || (isAlkane(other) && isOneOf(fromAlkanes, one))) return 'part'
  const polyol = isOneOf(polyols, one) ? other : isOneOf(polyols, other) ? one : undefined
  if (polyol) return mixesWithWater(polyol) === 'part' ? 'part' : 'mix'
  return 'mix'
}

/** Grams of a liquid that 100 mL of water dissolve at room temperature, where that is on record; null where it is not. */
export function dissolvesInWater(thing: Thing): number | null {
  const points = thing.substance.solubility?.find(({ solvent }) => solvent === 'water')?.points
  return points?.find(({ atC }) => atC <= 30)?.gPer100ML ?? null
}
