import { molarMass } from './molarMass'

/** Densities of solutions in water at 20 °C, g/mL, by % w/w, by formula. CRC Handbook of Chemistry and Physics, concentrative properties of aqueous solutions; not yet compared with it. */
const densities: Readonly<Record<string, readonly (readonly [percent: number, gPerML: number])[]>> = {
  HCl: [
    [0, 0.998],
    [10, 1.047],
    [20, 1.098],
    [30, 1.149],
    [37, 1.18],
    [40, 1.198],
  ],
  H2SO4: [
    [0, 0.998],
    [10, 1.066],
    [20, 1.139],
    [30, 1.218],
    [40, 1.303],
    [50, 1.395],
    [60, 1.498],
    [70, 1.61],
    [80, 1.727],
    [90, 1.814],
    [96, 1.84],
  ],
  HNO3: [
    [0, 0.998],
    [10, 1.054],
    [20, 1.115],
    [30, 1.18],
    [40, 1.246],
    [50, 1.31],
    [60, 1.367],
    [68, 1.405],
    [100, 1.513],
  ],
  NH3: [
    [0, 0.998],
    [4, 0.981],
    [10, 0.958],
    [20, 0.923],
    [25, 0.91],
    [28, 0.898],
  ],
  H3PO4: [
    [0, 0.998],
    [10, 1.053],
    [20, 1.114],
    [40, 1.254],
    [60, 1.426],
    [85, 1.685],
  ],
  H2O2: [
    [0, 0.998],
    [3, 1.01],
    [10, 1.034],
    [20, 1.07],
    [30, 1.11],
    [50, 1.196],
  ],
  C2H4O2: [
    [0, 0.998],
    [10, 1.013],
    [20, 1.026],
    [40, 1.049],
    [60, 1.064],
    [80, 1.07],
    [99.8, 1.049],
  ],
  NaOH: [
    [0, 0.998],
    [10, 1.109],
    [20, 1.219],
    [30, 1.328],
    [40, 1.43],
    [50, 1.525],
  ],
}

/** The most that water holds of each at room temperature, or that anybody sells, as a mass fraction (CRC Handbook of Chemistry and Physics, solubilities; not compared with it). */
const most: Readonly<Record<string, number>> = {
  HCl: 0.42,
  HBr: 0.66,
  HI: 0.7,
  NH3: 0.35,
  H2O2: 0.7,
  NaClO: 0.2,
  NaOCl: 0.2,
  NaOH: 0.53,
  KOH: 0.53,
  NaHCO3: 0.09,
  Na2CO3: 0.18,
  NaCl: 0.265,
  NH4Cl: 0.28,
}

/** The density of a solution in water at 20 °C, g/mL, drawn straight between two strengths of the table; null beyond it and where there is none. */
export function solutionDensity(formula: string | undefined, fraction: number): number | null {
  const table = densities[formula ?? ''] ?? []
  const percent = 100 * fraction
  const above = table.findIndex(([at]) => at >= percent - 1e-9)
  const [low, high] = [table[above - 1], table[above]]
  if (!high) return null
  if (!low || high[0] - percent < 1e-9) return high[1]
  return low[1] + ((percent - low[0]) / (high[0] - low[0])) * (high[1] - low[1])
}

/** The most that a solution in water can hold, as a mass fraction; null where no table says it. */
export const mostInWater = (formula: string | undefined): number | null => most[formula ?? ''] ?? null

/** The strength in mol/L at which a solution holds the most; null where a table is wanting. */
export function mostMolPerL(formula: string | undefined): number | null {
  const fraction = mostInWater(formula)
  const table = densities[formula ?? '']
  if (fraction === null || !table || formula === undefined) return null
  const densest = solutionDensity(formula, fraction) ?? table.at(-1)![1]
  return (1000 * Math.max(densest, formula === 'NH3' ? 0.88 : 0) * fraction) / molarMass(formula)
}
