import { isHydrocarbon } from '../substance/atoms'
import type { Line } from '../plan/plan'
import type { ReactiveClass } from '../substance/reactiveClass'
import { shapesIn, type Shape } from '../substance/shapes'
import type { Substance } from '../substance/substance'
import { solutionSolvents } from '../substance/solutionSolvents'
import { readFormula } from '../substance/readFormula'

/** What the strength and the form of a substance add to its classes. */
export type DispensedClass =
  | 'water'
  | 'concentrated sulfuric acid'
  | 'concentrated nitric acid'
  | 'concentrated hydrogen peroxide'
  | 'solid hydroxide'
  | 'oxidisable liquid'
  | 'sulfuric acid above 40 %'
  | 'dry nitrate'
  | 'dry chlorate'
  | 'neat bromine'
  | 'neat alkene'

/** A class as it counts in a vessel. */
export type ClassInVessel = ReactiveClass | DispensedClass

const strongAcid = ['acid', 'strong acid'] as const

/**
 * Classes of single substances, by formula: inorganic ones have no other structure to read. It serves substances that carry no classes of their own, in plans written before records had them and in what was typed by its formula.
 * Bretherick's Handbook of Reactive Chemical Hazards names them so.
 */
const byFormula: Readonly<Record<string, readonly ReactiveClass[]>> = Object.fromEntries(
  (
    [
      [['cyanide'], 'NaCN KCN'],
      [['azide'], 'NaN3'],
      [['sulfide'], 'Na2S Na2S·9H2O'],
      [[...strongAcid, 'hydrochloric acid'], 'HCl'],
      [[...strongAcid, 'sulfuric acid'], 'H2SO4'],
      [[...strongAcid, 'nitric acid'], 'HNO3'],
      [[...strongAcid, 'perchloric acid'], 'HClO4'],
      [strongAcid, 'HBr HI H3PO4 KHSO4 NaHSO4 C7H8O3S C7H8O3S·H2O CH4O3S C2HF3O2 HSO3Cl'],
      [['hypochlorite'], 'NaOCl CaCl2O2'],
      [['ammonia', 'amine'], 'NH3 NH4OH'],
      [['ammonium salt', 'chloride'], 'NH4Cl'],
      [['ammonium salt', 'bromide'], 'NH4Br'],
      [['ammonium salt'], 'C2H7NO2 H8N2O4S'],
      [['ammonium salt', 'nitrate', 'ammonium nitrate'], 'H4N2O3'],
      [['carbonate'], 'NaHCO3 KHCO3 Na2CO3 K2CO3 CaCO3 Cs2CO3 Li2CO3'],
      [['permanganate'], 'KMnO4 NaMnO4'],
      [['chromium(VI)', 'chromium trioxide'], 'CrO3'],
      [['chromium(VI)'], 'K2Cr2O7 Na2Cr2O7 Na2Cr2O7·2H2O K2CrO4 C5H6ClCrNO3'],
      [['manganese dioxide'], 'MnO2'],
      [['peroxide'], 'H2O2'],
      [['chlorate'], 'KClO3 NaClO3 KClO4 NaClO4'],
      [['nitrate'], 'NaNO3 KNO3 Ca(NO3)2 Ca(NO3)2·4H2O'],
      [['nitrate', 'silver salt'], 'AgNO3'],
      [['silver salt'], 'Ag2O'],
      [['nitrite'], 'NaNO2 KNO2'],
      [['bromine'], 'Br2'],
      [['iodine'], 'I2'],
      [['chloride'], 'NaCl KCl'],
      [['bromide'], 'NaBr KBr'],
      [['iodide'], 'NaI KI'],
      [['hydride'], 'NaH KH CaH2 LiAlH4'],
      [['borohydride'], 'NaBH4 LiBH4'],
      [['alkali metal'], 'Na K Li'],
      [['aluminium'], 'Al'],
      [['magnesium'], 'Mg'],
      [['zinc or iron'], 'Zn Fe'],
      [['organometallic compound'], 'C4H9Li'],
      [['hydrogenation catalyst'], 'Pd Pt Ni'],
      [['alkoxide', 'strong base'], 'CH3NaO C2H5NaO C4H9KO C4H9NaO'],
      [['strong base'], 'NaOH KOH LiOH CaH2O2 BaH2O2 K3PO4 Na3PO4'],
      [['chloroform', 'chlorinated solvent'], 'CHCl3'],
      [['chlorinated solvent'], 'CH2Cl2 C2H4Cl2 CCl4 C2Cl4 C2H2Cl4'],
      [['water-reactive', 'mineral halide or oxide'], 'SOCl2 P4O10 P2O5 PCl3 PCl5 POCl3 PBr3 TiCl4 BBr3 SO2Cl2'],
      [['water-reactive', 'mineral halide or oxide', 'aluminium halide'], 'AlCl3 AlBr3'],
      [['oxalyl chloride'], 'C2Cl2O2'],
      [['trichloroethylene', 'chlorinated solvent'], 'C2HCl3'],
      [['fluoride'], 'NaF KF CsF NH4F'],
      [['copper salt'], 'CuSO4 CuSO4·5H2O CuCl2 CuCl2·2H2O CuCl CuBr CuI CuO C4H6CuO4 C4H6CuO4·H2O'],
      [['iron salt'], 'FeSO4·7H2O FeSO4 FeCl3 FeCl3·6H2O FeCl2'],
      [['copper or tin'], 'Cu Sn'],
      [['burns as a solid', 'sulfur'], 'S S8'],
      [['urea'], 'CH4N2O'],
      [['sulfite'], 'NaHSO3 Na2S2O5 Na2SO3 Na2SO3·7H2O Na2S2O4'],
      [['thiosulfate'], 'Na2S2O3 Na2S2O3·5H2O'],
      [['formic acid', 'acid'], 'CH2O2'],
      [['oxalic acid', 'acid'], 'C2H2O4 C2H2O4·2H2O'],
      [['carbon disulfide'], 'CS2'],
      [['hydrazine'], 'H4N2 H6N2O H6N2O4S'],
      [['hydroxylamine'], 'NH3O NH4ClO H8N2O6S'],
      [['burns as a solid'], 'C'],
    ] as const
  ).flatMap(([classes, formulas]) => formulas.split(' ').map((formula) => [key(formula), classes])),
)

/** Substances of known formula that do nothing of the kind to others, so that nobody is asked about them. */
const harmless = new Set(
  'H2O SiO2 MgSO4 MgSO4·7H2O Na2SO4 Na2SO4·10H2O CaSO4 CaSO4·2H2O CaCl2 CaCl2·2H2O Na2HPO4 K2HPO4 KH2PO4 NaH2PO4 CO2 N2 Ar He'
    .split(' ')
    .map(key),
)

/** The atoms of a formula in the order of the alphabet, so that NaOCl and NaClO are one. */
function key(formula: string): string {
  return Object.entries(readFormula(formula).atoms)
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([symbol, count]) => `${symbol}${count}`)
    .join('')
}

/** What a place in the structure shows. */
const byShape = {
  'acyl halide': ['acyl halide', 'water-reactive'],
  'acid anhydride': ['acid anhydride'],
  amide: [],
  'amide with N–H': [],
  dialkylformamide: ['formamide'],
  peroxide: ['peroxide'],
  'organic peroxide': ['organic peroxide'],
  'nitro compound': ['nitro compound'],
  azide: ['azide'],
  'diazonium salt': ['diazonium salt'],
  alkene: ['alkene'],
  nitrile: ['nitrile'],
  nitroalkane: ['nitroalkane'],
  'benzyl halide': ['benzyl halide'],
  'benzyl alcohol': ['benzyl alcohol'],
  sulfoxide: ['sulfoxide'],
} as const satisfies Record<Shape, readonly ReactiveClass[]>

/** What belongs to each of the groups that decide how a substance is worked up. */
const byGroup = {
  alcohol: ['alcohol'],
  phenol: ['phenol'],
  'carboxylic acid': ['acid', 'carboxylic acid'],
  amine: ['amine'],
  aldehyde: ['aldehyde'],
  ketone: ['ketone'],
  ester: ['ester'],
  ether: ['ether'],
} as const satisfies Record<NonNullable<Substance['groups']>[number], readonly ReactiveClass[]>

type Known = Partial<Pick<Substance, 'formula' | 'groups' | 'smiles' | 'classes'>>

/**
 * The classes of a substance, and whether anybody can say them: what its record or its author says, else what its formula and its structure show. A formula alone shows nothing of an organic substance, and no formula nothing at all.
 */
export function knownClasses({ formula, groups = [], smiles, classes }: Known): { classes: ReactiveClass[]; known: boolean } {
  const atoms = formula === undefined ? undefined : key(formula)
  const listed = atoms === undefined ? undefined : byFormula[atoms]
  const structure = [...shapesIn(smiles)].flatMap((shape): readonly ReactiveClass[] => byShape[shape])
  const hydrocarbon: ReactiveClass[] = isHydrocarbon(formula) ? ['hydrocarbon'] : []
  const shown = [...(listed ?? []), ...groups.flatMap((group) => byGroup[group]), ...structure, ...hydrocarbon]
  return {
    classes: [...new Set([...(classes ?? []), ...shown])],
    known:
      classes !== undefined ||
      listed !== undefined ||
      smiles !== undefined ||
      (atoms !== undefined && (harmless.has(atoms) || hydrocarbon.length > 0)),
  }
}

/** Stronger than this sulfuric acid takes water out of what it meets, nitric acid oxidises it, and hydrogen peroxide lights it (mass fraction). */
export const concentrated = { sulfuric: 0.7, halfSulfuric: 0.4, nitric: 0.3, peroxide: 0.3 } as const

/** True for a solution in water, and for water. */
function isInWater({ form }: Pick<Line, 'form'>, formula: string): boolean {
  if (form.kind === 'solution' || form.kind === 'mass-volume') return form.solvent === undefined
  return form.kind === 'mass-fraction' || formula === key('H2O')
}

/** The share of the substance in what is dispensed; 1 for what is neat, and for a strength that nobody has said: then the worst is taken. */
function strengthOf({ form }: Pick<Line, 'form'>): number {
  if (form.kind === 'mass-fraction') return form.fraction ?? 1
  if (form.kind === 'mass-volume') return (form.gPer100ML ?? 100) / 100
  // 10 mol/L of each is well above its mark.
  if (form.kind === 'solution') return (form.molPerL ?? 10) >= 10 ? 1 : 0
  return 1
}

/** A substance and how it is dispensed. */
export type Kept = [substance: Known, line: Pick<Line, 'form'>]

/** Classes that were worked out, by substance and by how it is dispensed: each vessel of a plan asks for the same. */
const remembered = new WeakMap<object, WeakMap<object, ReadonlySet<ClassInVessel>>>()

/** The classes of a substance as it is dispensed. What is not known to belong to a class does not. */
export function classesOf(...[substance, line]: Kept): ReadonlySet<ClassInVessel> {
  const ofSubstance = remembered.get(substance) ?? new WeakMap<object, ReadonlySet<ClassInVessel>>()
  remembered.set(substance, ofSubstance)
  const known = ofSubstance.get(line.form)
  if (known) return known
  const found = workedOut(substance, line)
  ofSubstance.set(line.form, found)
  return found
}

function workedOut(...[substance, line]: Kept): Set<ClassInVessel> {
  const found = new Set<ClassInVessel>(knownClasses(substance).classes)
  const strength = strengthOf(line)
  if (found.has('sulfuric acid') && strength >= concentrated.sulfuric) found.add('concentrated sulfuric acid')
  if (found.has('sulfuric acid') && strength >= concentrated.halfSulfuric) found.add('sulfuric acid above 40 %')
  if (found.has('nitrate') && line.form.kind === 'solid') found.add('dry nitrate')
  if (found.has('chlorate') && line.form.kind === 'solid') found.add('dry chlorate')
  if (found.has('bromine') && line.form.kind === 'neat') found.add('neat bromine')
  if (found.has('alkene') && line.form.kind === 'neat') found.add('neat alkene')
  if (found.has('nitric acid') && strength >= concentrated.nitric) found.add('concentrated nitric acid')
  if (found.has('peroxide') && !found.has('organic peroxide') && strength >= concentrated.peroxide)
    found.add('concentrated hydrogen peroxide')
  if (found.has('strong base') && line.form.kind === 'solid' && !found.has('alkoxide')) found.add('solid hydroxide')
  if (substance.formula !== undefined && isInWater(line, key(substance.formula))) found.add('water')
  // What it is dissolved in does what it does neat.
  const { form } = line
  const solvent = 'solvent' in form && form.solvent !== undefined ? solutionSolvents[form.solvent] : undefined
  if (solvent)
    for (const each of classesOf({ ...solvent, groups: [...solvent.groups] }, { form: { kind: 'neat', purity: 1 } }))
      found.add(each)
  const burns = ['hydrocarbon', 'alcohol', 'ketone', 'aldehyde', 'amine', 'peroxide former', 'carbon disulfide'] as const
  const liquid = line.form.kind === 'neat'
  if (
    liquid &&
    (burns.some((each) => found.has(each)) || substance.groups?.some((group) => group === 'ether' || group === 'ester'))
  )
    found.add('oxidisable liquid')
  // In solution a ketone is too thin for what it does to bromine and the like.
  if (!liquid && !solvent) found.delete('ketone')
  return found
}
