import type { Form } from '@/core/plan/plan'

const label = 'label of the bottle'

/** The usual strengths of what is sold as a solution in water. */
export const concentrated = {
  hydrochloric: { kind: 'mass-fraction', fraction: 0.37, gPerML: 1.18, source: label },
  sulfuric: { kind: 'mass-fraction', fraction: 0.96, gPerML: 1.84, source: label },
  nitric: { kind: 'mass-fraction', fraction: 0.68, gPerML: 1.405, source: label },
  ammonia: { kind: 'mass-fraction', fraction: 0.25, gPerML: 0.91, source: label },
  acetic: { kind: 'mass-fraction', fraction: 0.998, gPerML: 1.049, source: label },
  phosphoric: { kind: 'mass-fraction', fraction: 0.85, gPerML: 1.685, source: label },
  peroxide: { kind: 'mass-fraction', fraction: 0.3, gPerML: 1.11, source: label },
} as const satisfies Record<string, Form>

/** Densities of solutions in water at 20 °C, g/mL, by % w/w. CRC Handbook of Chemistry and Physics, concentrative properties of aqueous solutions; not yet compared with it. */
const densities: Readonly<Record<string, readonly (readonly [percent: number, gPerML: number])[]>> = {
  'hydrochloric-acid': [
    [0, 0.998],
    [10, 1.047],
    [20, 1.098],
    [30, 1.149],
    [37, 1.18],
    [40, 1.198],
  ],
  'sulfuric-acid': [
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
  'nitric-acid': [
    [0, 0.998],
    [10, 1.054],
    [20, 1.115],
    [30, 1.18],
    [40, 1.246],
    [50, 1.31],
    [60, 1.367],
    [68, 1.405],
  ],
  ammonia: [
    [0, 0.998],
    [4, 0.981],
    [10, 0.958],
    [20, 0.923],
    [25, 0.91],
    [28, 0.898],
  ],
  'phosphoric-acid': [
    [0, 0.998],
    [10, 1.053],
    [20, 1.114],
    [40, 1.254],
    [60, 1.426],
    [85, 1.685],
  ],
  'hydrogen-peroxide': [
    [0, 0.998],
    [3, 1.01],
    [10, 1.034],
    [20, 1.07],
    [30, 1.11],
  ],
  'acetic-acid': [
    [0, 0.998],
    [10, 1.013],
    [20, 1.026],
    [40, 1.049],
    [60, 1.064],
    [80, 1.07],
    [99.8, 1.049],
  ],
  'sodium-hydroxide': [
    [0, 0.998],
    [10, 1.109],
    [20, 1.219],
    [30, 1.328],
    [40, 1.43],
    [50, 1.525],
  ],
}

const bottles: Readonly<Record<string, Form>> = {
  'hydrochloric-acid': concentrated.hydrochloric,
  'sulfuric-acid': concentrated.sulfuric,
  'nitric-acid': concentrated.nitric,
  ammonia: concentrated.ammonia,
  'acetic-acid': concentrated.acetic,
  'phosphoric-acid': concentrated.phosphoric,
  'hydrogen-peroxide': concentrated.peroxide,
}

/** The bottle that a substance is sold in as a solution in water, by the id of its record. */
export const soldAs = (record: string): Form | undefined => bottles[record]

/** The density of a solution in water at 20 °C, g/mL, drawn straight between two strengths of the table; null beyond it and where there is none. */
export function densityAt(record: string, fraction: number): number | null {
  const table = densities[record] ?? []
  const percent = 100 * fraction
  const above = table.findIndex(([at]) => at >= percent - 1e-9)
  const [low, high] = [table[above - 1], table[above]]
  if (!high) return null
  if (!low || high[0] - percent < 1e-9) return high[1]
  return low[1] + ((percent - low[0]) / (high[0] - low[0])) * (high[1] - low[1])
}
