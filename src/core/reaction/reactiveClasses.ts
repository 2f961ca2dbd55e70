import type { Line } from '../plan/plan'
import type { Substance } from '../substance/substance'
import { readFormula } from '../substance/readFormula'

export const reactiveClasses = [
  'cyanide',
  'azide',
  'acid',
  'strong acid',
  'hydrochloric acid',
  'concentrated sulfuric acid',
  'nitric acid',
  'formic acid',
  'hypochlorite',
  'ammonia or amine',
  'ammonia',
  'permanganate',
  'chromium(VI) oxide',
  'peroxide',
  'chlorate',
  'bromine',
  'iodine',
  'silver salt',
  'hydride',
  'borohydride',
  'alkali metal',
  'aluminium',
  'magnesium',
  'alkoxide',
  'solid hydroxide',
  'strong base',
  'chloroform',
  'chlorinated solvent',
  'ketone',
  'acid anhydride',
  'alcohol',
  'oxidisable liquid',
  'water',
  'acyl halide',
  'water-reactive',
  'sulfite',
  'sulfoxide',
  'formamide',
] as const

/** What a substance does to others, whatever it is called. */
export type ReactiveClass = (typeof reactiveClasses)[number]

/** Classes of single substances, by formula: inorganic ones have no other structure to read. Bretherick's Handbook of Reactive Chemical Hazards names them so. */
const byFormula: Readonly<Record<string, readonly ReactiveClass[]>> = Object.fromEntries(
  (
    [
      [['cyanide'], 'NaCN KCN'],
      [['azide'], 'NaN3'],
      [['acid', 'strong acid', 'hydrochloric acid'], 'HCl'],
      [['acid', 'strong acid'], 'H2SO4 HNO3 HBr HI HClO4 H3PO4 KHSO4 NaHSO4 C7H8O3S C7H8O3S·H2O CH4O3S C2HF3O2'],
      [['hypochlorite'], 'NaOCl CaCl2O2'],
      [['ammonia', 'ammonia or amine'], 'NH3 NH4OH'],
      [['permanganate'], 'KMnO4 NaMnO4'],
      [['chromium(VI) oxide'], 'CrO3'],
      [['peroxide'], 'H2O2'],
      [['chlorate'], 'KClO3 NaClO3 KClO4 NaClO4'],
      [['bromine'], 'Br2'],
      [['iodine'], 'I2'],
      [['silver salt'], 'AgNO3 Ag2O'],
      [['hydride'], 'NaH KH CaH2 LiAlH4'],
      [['borohydride'], 'NaBH4 LiBH4'],
      [['alkali metal'], 'Na K Li'],
      [['aluminium'], 'Al'],
      [['magnesium'], 'Mg'],
      [['alkoxide', 'strong base'], 'CH3NaO C2H5NaO C4H9KO C4H9NaO'],
      [['strong base'], 'NaOH KOH'],
      [['chloroform', 'chlorinated solvent'], 'CHCl3'],
      [['chlorinated solvent'], 'CH2Cl2 C2H4Cl2 CCl4 C2HCl3 C2Cl4 C2H2Cl4'],
      [['water-reactive'], 'SOCl2 P4O10 P2O5 AlCl3 PCl3 PCl5 POCl3 TiCl4'],
      [['sulfite'], 'NaHSO3 Na2S2O5 Na2SO3 Na2S2O4 Na2S2O3 Na2S2O3·5H2O'],
      [['sulfoxide'], 'C2H6OS'],
      [['formic acid'], 'CH2O2'],
    ] as const
  ).flatMap(([classes, formulas]) => formulas.split(' ').map((formula) => [key(formula), classes])),
)

/** The atoms of a formula in the order of the alphabet, so that NaOCl and NaClO are one. */
function key(formula: string): string {
  return Object.entries(readFormula(formula).atoms)
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([symbol, count]) => `${symbol}${count}`)
    .join('')
}

const acylHalide = /C\(=O\)(Cl|Br)|(Cl|Br)C\(=O\)|C\((Cl|Br)\)=O/
const anhydride = /C\(=O\)OC\([^()]*\)=O|C\(=O\)OC\(=O\)|O=C\d?OC\(=O\)/

/** Stronger than this sulfuric acid takes water out of what it meets, and nitric acid oxidises it (mass fraction). */
const concentrated = { sulfuric: 0.7, nitric: 0.3 } as const

/** True for a solution in water, and for water. */
function isInWater({ form }: Pick<Line, 'form'>, formula: string): boolean {
  return form.kind === 'solution' || form.kind === 'mass-volume' || form.kind === 'mass-fraction' || formula === key('H2O')
}

/** The share of the substance in what is dispensed; 1 for what is neat, and for a strength that nobody has said: then the worst is taken. */
function strengthOf({ form }: Pick<Line, 'form'>): number {
  if (form.kind === 'mass-fraction') return form.fraction ?? 1
  if (form.kind === 'mass-volume') return (form.gPer100ML ?? 100) / 100
  // 10 mol/L of either acid is well above both marks.
  if (form.kind === 'solution') return (form.molPerL ?? 10) >= 10 ? 1 : 0
  return 1
}

/** A substance and how it is dispensed. */
export type Kept = [substance: Partial<Pick<Substance, 'formula' | 'groups' | 'smiles'>>, line: Pick<Line, 'form'>]

/**
 * The reactive classes of a substance as it is dispensed: from its formula where that decides, and from its functional groups and structure. What is not known to belong to a class does not.
 */
export function classesOf(...[substance, line]: Kept): Set<ReactiveClass> {
  const { formula, groups = [], smiles = '' } = substance
  const found = new Set<ReactiveClass>()
  if (formula === undefined) return found
  const atoms = key(formula)
  for (const each of byFormula[atoms] ?? []) found.add(each)
  const strength = strengthOf(line)
  if (atoms === key('H2SO4') && strength >= concentrated.sulfuric) found.add('concentrated sulfuric acid')
  if (atoms === key('HNO3') && strength >= concentrated.nitric) found.add('nitric acid')
  if (groups.includes('carboxylic acid')) found.add('acid')
  if (groups.includes('amine')) found.add('ammonia or amine')
  if (acylHalide.test(smiles)) for (const each of ['acyl halide', 'water-reactive'] as const) found.add(each)
  if (anhydride.test(smiles)) found.add('acid anhydride')
  if (smiles === 'CN(C)C=O') found.add('formamide')
  if (/OO/.test(smiles)) found.add('peroxide')
  if (found.has('strong base') && line.form.kind === 'solid' && !found.has('alkoxide')) found.add('solid hydroxide')
  if (isInWater(line, atoms)) found.add('water')
  if (groups.includes('alcohol')) found.add('alcohol')
  if (line.form.kind === 'neat') {
    if (groups.includes('ketone')) found.add('ketone')
    const hydrocarbon = /^C\d+H\d+$/.test(atoms)
    if (hydrocarbon || groups.some((group) => ['alcohol', 'ketone', 'aldehyde', 'ether', 'amine'].includes(group)))
      found.add('oxidisable liquid')
  }
  return found
}
