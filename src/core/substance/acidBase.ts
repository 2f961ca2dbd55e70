import type { Substance } from './substance'

type Known = Pick<Substance, 'formula' | 'groups' | 'classes' | 'smiles'>

/**
 * Protons that an acid gives to bicarbonate, by formula; phosphoric acid's third is too weak for it. What water turns into acid counts with what it gives: thionyl chloride two of hydrogen chloride and one of sulfurous acid,
 * aluminium chloride three, chlorides of phosphorus one for each chlorine.
 */
const mineralProtons: Readonly<Record<string, number>> = {
  HCl: 1,
  HBr: 1,
  HI: 1,
  HNO3: 1,
  HClO4: 1,
  H2SO4: 2,
  H3PO4: 2,
  KHSO4: 1,
  NaHSO4: 1,
  CH4O3S: 1,
  C7H8O3S: 1,
  'C7H8O3S·H2O': 1,
  SOCl2: 3,
  AlCl3: 3,
  PCl3: 3,
  POCl3: 3,
  PBr3: 3,
  TiCl4: 4,
}
/** Protons that a base takes up, by formula, carbonate as far as carbon dioxide; a hydride and a metal as far as its hydroxide does. */
const baseCapacity: Readonly<Record<string, number>> = {
  NaHCO3: 1,
  KHCO3: 1,
  Na2CO3: 2,
  K2CO3: 2,
  CaCO3: 2,
  NaOH: 1,
  KOH: 1,
  LiOH: 1,
  CaH2O2: 2,
  NH3: 1,
  NH4OH: 1,
  K3PO4: 2,
  Na2HPO4: 1,
  K2HPO4: 1,
  C2H3NaO2: 1,
  'C2H3NaO2·3H2O': 1,
  CH3NaO: 1,
  C2H5NaO: 1,
  C4H9KO: 1,
  NaH: 1,
  KH: 1,
  CaH2: 2,
  LiAlH4: 4,
  NaBH4: 1,
  C4H9Li: 1,
  Na: 1,
  K: 1,
  Li: 1,
  Mg: 2,
}
const carbonates = new Set(['NaHCO3', 'KHCO3', 'Na2CO3', 'K2CO3', 'CaCO3'])
/** Bases that are not too weak to be told from water by acid; the others of the table are strong or carbonate. */
const weakBases = new Set(['NH3', 'NH4OH', 'Na2HPO4', 'K2HPO4', 'C2H3NaO2', 'C2H3NaO2·3H2O'])

/** Moles of protons that one mole of the substance gives to bicarbonate; 0 for what is no acid. An anhydride counts as the two acids that water makes of it, an acyl halide as its acid and the hydrogen halide. */
export function protonsOf({ formula, groups, classes }: Known): number {
  const mineral = mineralProtons[formula ?? '']
  if (mineral !== undefined) return mineral
  if (classes?.includes('acid anhydride') || classes?.includes('acyl halide')) return 2
  return groups?.filter((group) => group === 'carboxylic acid').length ?? 0
}

/** Moles of acid that one mole of the substance neutralises; 0 for what is no base. An amine takes one for each of its groups. */
export function baseCapacityOf({ formula, groups }: Known): number {
  const known = baseCapacity[formula ?? '']
  return known ?? (groups?.includes('carboxylic acid') ? 0 : (groups?.filter((group) => group === 'amine').length ?? 0))
}

/** True for a base that takes protons from weak acids such as phenols and from esters' water: hydroxide and what is stronger. */
export function isStrongBase({ formula = '' }: Pick<Substance, 'formula'>): boolean {
  return formula in baseCapacity && !carbonates.has(formula) && !weakBases.has(formula)
}

/** True for bicarbonates and carbonates: with acid they give carbon dioxide. */
export function givesCarbonDioxide({ formula }: Pick<Substance, 'formula'>): boolean {
  return carbonates.has(formula ?? '')
}

/** Molar volume of an ideal gas at 20 °C and 101.325 kPa, L/mol: R·T/p with R from the 2019 SI. */
export const gasMolarVolume = (8.314462618 * 293.15) / 101.325
