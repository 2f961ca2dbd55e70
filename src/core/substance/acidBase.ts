import type { Substance } from './substance'

/** Protons that an acid gives to bicarbonate: strong mineral acids by formula; phosphoric acid's third is too weak for it. */
const mineralProtons: Readonly<Record<string, number>> = { HCl: 1, HBr: 1, HI: 1, HNO3: 1, H2SO4: 2, H3PO4: 2 }
/** Protons that a base takes up, by formula, carbonate as far as carbon dioxide. */
const baseCapacity: Readonly<Record<string, number>> = {
  NaHCO3: 1,
  Na2CO3: 2,
  K2CO3: 2,
  NaOH: 1,
  KOH: 1,
  NH3: 1,
}
const carbonates = new Set(['NaHCO3', 'Na2CO3', 'K2CO3'])

/** Moles of protons that one mole of the substance gives to bicarbonate; 0 for what is no acid. */
export function protonsOf({ formula, groups }: Pick<Substance, 'formula' | 'groups'>): number {
  return mineralProtons[formula ?? ''] ?? groups?.filter((group) => group === 'carboxylic acid').length ?? 0
}

/** Moles of acid that one mole of the substance neutralises; 0 for what is no common base. */
export function baseCapacityOf({ formula }: Pick<Substance, 'formula'>): number {
  return baseCapacity[formula ?? ''] ?? 0
}

/** True for bicarbonates and carbonates: with acid they give carbon dioxide. */
export function givesCarbonDioxide({ formula }: Pick<Substance, 'formula'>): boolean {
  return carbonates.has(formula ?? '')
}

/** Molar volume of an ideal gas at 20 °C and 101.325 kPa, L/mol: R·T/p with R from the 2019 SI. */
export const gasMolarVolume = (8.314462618 * 293.15) / 101.325
