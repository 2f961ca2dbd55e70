import { gasMolarVolume } from '../../substance/acidBase'

/** A solution that neutralises, with the moles of protons that a litre takes up (base) or gives (acid). */
export interface Neutraliser {
  name: string
  kind: 'base' | 'acid'
  /** mmol of protons to the mL. */
  mmolPerML: number
  /** Moles of carbon dioxide to a mole of protons. */
  co2: number
  gPerML: number
  source: string
}

const strength = (what: string) =>
  `${what}, from the mass fraction, the density (CRC Handbook, concentrative properties) and the molar mass`

/** The solutions on the bench. Saturated bicarbonate is 96 g/L at 20 °C, 1.1 mol/L (CRC Handbook, solubility of salts). */
export const neutralisers: readonly Neutraliser[] = [
  {
    name: 'saturated sodium bicarbonate',
    kind: 'base',
    mmolPerML: 1.1,
    co2: 1,
    gPerML: 1.07,
    source: 'CRC Handbook, solubility of inorganic salts',
  },
  { name: '5 % sodium bicarbonate', kind: 'base', mmolPerML: 0.6, co2: 1, gPerML: 1.034, source: '50 g/L over 84.007 g/mol' },
  { name: '10 % sodium carbonate', kind: 'base', mmolPerML: 2.08, co2: 0.5, gPerML: 1.1, source: strength('10 % w/w') },
  { name: '10 % sodium hydroxide', kind: 'base', mmolPerML: 2.77, co2: 0, gPerML: 1.11, source: strength('10 % w/w') },
  { name: '5 % sodium hydroxide', kind: 'base', mmolPerML: 1.32, co2: 0, gPerML: 1.054, source: strength('5 % w/w') },
  { name: '10 % hydrochloric acid', kind: 'acid', mmolPerML: 2.87, co2: 0, gPerML: 1.048, source: strength('10 % w/w') },
  { name: '5 % hydrochloric acid', kind: 'acid', mmolPerML: 1.4, co2: 0, gPerML: 1.023, source: strength('5 % w/w') },
]

/** The neutraliser of that name. @throws when there is none */
export function neutraliserOf(name: string): Neutraliser {
  const found = neutralisers.find((each) => each.name === name)
  if (!found) throw new Error(`“${name}” is none of the solutions on the bench.`)
  return found
}

export interface Neutralisation {
  /** What is needed to meet all of it, mL. */
  neededML: number
  /** Carbon dioxide in L at 20 °C and the pressure given, from what reacts. */
  gasL: number
  /** mmol of acid or base that the planned volume leaves; 0 where it is enough. */
  leftMmol: number
}

/** Acid or base that is left against a solution that meets it: V = n/c; CO₂ = n·V_m, V_m = 24.06 L/mol at 20 °C and 760 mmHg, more at less pressure. */
export function neutralisation(mmol: number, by: Neutraliser, plannedML: number, mmHg = 760): Neutralisation {
  const capacity = plannedML * by.mmolPerML
  return {
    neededML: mmol / by.mmolPerML,
    gasL: (Math.min(mmol, capacity) * by.co2 * gasMolarVolume * (760 / mmHg)) / 1000,
    leftMmol: Math.max(0, mmol - capacity),
  }
}

/** pH units past the pKa at which an acid or base counts as wholly turned: 1 part in 101 is left. */
export const unitsPast = 2

/**
 * The pH to reach so that hardly any of the other form is left: two units above the pKa to take the proton away, two below to put it on.
 */
export function targetPH(pKa: number, aim: 'deprotonate' | 'protonate'): number {
  return aim === 'deprotonate' ? pKa + unitsPast : pKa - unitsPast
}

/** The fraction that has lost its proton at a pH, 1/(1 + 10^(pKa − pH)) (Henderson and Hasselbalch). */
export function deprotonated(pKa: number, pH: number): number {
  return 1 / (1 + 10 ** (pKa - pH))
}
