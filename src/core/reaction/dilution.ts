/** A substance that gives off heat as it takes up water. */
export type Diluted = 'sulfuric acid' | 'hydrochloric acid' | 'nitric acid' | 'sodium hydroxide'

/**
 * Integral heats of solution at 25 °C, kJ given off by a mole of the substance in so many moles of water (NBS Circular 500, heats of formation in solution; not compared with it): of liquid sulfuric and nitric acid, of hydrogen chloride gas, of solid sodium
 * hydroxide.
 */
const tables: Readonly<Record<Diluted, readonly (readonly [waters: number, kJ: number])[]>> = {
  'sulfuric acid': [
    [0, 0],
    [1, 28.07],
    [2, 41.92],
    [3, 48.99],
    [4, 54.06],
    [5, 58.03],
    [10, 67.03],
    [20, 71.5],
    [50, 73.35],
    [100, 73.97],
    [1000, 78.58],
  ],
  'hydrochloric acid': [
    [0, 0],
    [1, 26.23],
    [2, 48.82],
    [3, 56.85],
    [4, 61.2],
    [5, 64.05],
    [10, 69.49],
    [20, 71.78],
    [50, 73.28],
    [100, 73.85],
    [1000, 74.68],
  ],
  'nitric acid': [
    [0, 0],
    [1, 13.11],
    [2, 20.08],
    [3, 24.3],
    [5, 28.73],
    [10, 31.84],
    [20, 32.67],
    [50, 32.74],
    [1000, 33.1],
  ],
  'sodium hydroxide': [
    [0, 0],
    [3, 28.87],
    [4, 34.43],
    [5, 37.74],
    [10, 42.51],
    [20, 42.84],
    [50, 42.53],
    [1000, 42.5],
  ],
}

/** How far a heat of dilution may be off, as a part of it: interpolated, at 25 °C. Judgement. */
export const dilutionSpread = 0.05
/** An alcohol takes up a strong acid as water does, with less heat; how much less no table has. Judgement. */
export const alcoholSpread = 0.5

export const dilutionSource = 'integral heats of solution, NBS Circular 500; not compared with it'

/** kJ that a mole of a substance has given off in so many moles of water to the mole, between the points of its table along straight lines; at more water than the last as there. */
function heatOfSolution(of: Diluted, waters: number): number {
  const table = tables[of]
  const at = table.findIndex(([least]) => least > waters)
  if (at < 0) return table.at(-1)![1]
  const [[fromWaters, from], [toWaters, to]] = [table[at - 1]!, table[at]!]
  return from + ((waters - fromWaters) / (toWaters - fromWaters)) * (to - from)
}

/** An amount with the water that it stands in, mmol. */
export interface InWater {
  mmol: number
  waterMmol: number
}

/** Joules that two portions give off as they become one: what all of it has given off in all the water, less what each had. */
export function heatOfMixing(of: Diluted, one: InWater, other: InWater): number {
  const had = ({ mmol, waterMmol }: InWater) => (mmol > 0 ? mmol * heatOfSolution(of, waterMmol / mmol) : 0)
  return had({ mmol: one.mmol + other.mmol, waterMmol: one.waterMmol + other.waterMmol }) - had(one) - had(other)
}
