import { baseCapacityOf, protonsOf } from '../substance/acidBase'
import type { Substance } from '../substance/substance'
import { readFormula } from '../substance/readFormula'
import type { ClassInVessel } from './reactiveClasses'

/** Hydrogen that a mole of a hydride or a metal gives with enough acid, in moles of H: one each for hydride hydrogen, one for each charge of the metal's ion. */
const hydrogens: Readonly<Record<string, number>> = {
  NaH: 1,
  KH: 1,
  CaH2: 2,
  LiAlH4: 4,
  NaBH4: 4,
  LiBH4: 4,
  Na: 1,
  K: 1,
  Li: 1,
  Mg: 2,
  Zn: 2,
  Fe: 2,
  Al: 3,
}

/**
 * How many times a mole of a substance takes part as what its class says: protons of an acid, charges of a base, hydrogen of a hydride or a metal, sulfur of a sulfite. Water is never short.
 */
export function equivalentsOf(as: ClassInVessel, substance: Pick<Substance, 'formula' | 'groups'>): number {
  const { formula = '', groups = [] } = substance
  switch (as) {
    case 'water':
      return Infinity
    case 'acid':
    case 'strong acid':
    case 'hydrochloric acid':
    case 'concentrated sulfuric acid':
    case 'concentrated nitric acid':
      return Math.max(1, protonsOf(substance))
    case 'carbonate':
    case 'strong base':
    case 'solid hydroxide':
    case 'ammonia':
      return Math.max(1, baseCapacityOf(substance))
    case 'hydride':
    case 'borohydride':
    case 'alkali metal':
    case 'magnesium':
    case 'aluminium':
    case 'zinc or iron':
      return hydrogens[formula] ?? 1
    case 'sulfite':
    case 'thiosulfate':
      return as === 'sulfite' ? (readFormula(formula).atoms.S ?? 1) : 1
    case 'chromium(VI)':
      // Each takes up three electrons, an alcohol gives two to become an aldehyde or a ketone.
      return 1.5 * (readFormula(formula).atoms.Cr ?? 1)
    case 'alcohol':
      return Math.max(1, groups.filter((group) => group === 'alcohol').length)
    default:
      return 1
  }
}
