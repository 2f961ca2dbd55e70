/** Boiling points at 760 mmHg of strong acids in water, by mass fraction, °C. */
interface AcidTable {
  formula: string
  points: readonly (readonly [fraction: number, atC: number])[]
}

export const acidTableSource =
  'Perry’s Chemical Engineers’ Handbook, boiling points of aqueous acids at 1 atm; not yet compared with it'

const tables: readonly AcidTable[] = [
  {
    formula: 'H2SO4',
    points: [
      [0, 100],
      [0.1, 102],
      [0.2, 104],
      [0.3, 108],
      [0.4, 114],
      [0.5, 124],
      [0.6, 141],
      [0.7, 165],
      [0.8, 202],
      [0.9, 255],
      [0.96, 305],
      [0.983, 337],
    ],
  },
  {
    formula: 'HNO3',
    points: [
      [0, 100],
      [0.2, 104],
      [0.4, 112],
      [0.5, 116],
      [0.6, 120],
      [0.68, 120.5],
      [0.7, 120.5],
      [0.8, 114],
      [0.9, 100],
      [1, 83],
    ],
  },
  {
    formula: 'HCl',
    points: [
      [0, 100],
      [0.1, 103],
      [0.15, 105],
      [0.202, 108.6],
      [0.25, 103],
      [0.3, 90],
      [0.35, 65],
      [0.38, 48],
    ],
  },
  {
    formula: 'HBr',
    points: [
      [0, 100],
      [0.2, 106],
      [0.3, 112],
      [0.4, 120],
      [0.475, 124.3],
    ],
  },
  {
    formula: 'H3PO4',
    points: [
      [0, 100],
      [0.3, 102],
      [0.5, 108],
      [0.75, 135],
      [0.85, 158],
    ],
  },
]

/** What a point between two of a table is worth, K. */
export const acidTableK = 3

/** True for an acid that has such a table. */
export const boilsByTable = (formula: string | undefined): boolean => tables.some((each) => each.formula === formula)

/** Where a strong acid of a mass fraction boils at 760 mmHg, °C, along straight lines between the points of its table; null where it has none, or reaches no further. */
export function acidBoilsAtC(formula: string | undefined, fraction: number): number | null {
  const points = tables.find((each) => each.formula === formula)?.points
  if (!points || fraction < 0 || fraction > points.at(-1)![0]) return null
  const at = Math.max(
    1,
    points.findIndex(([up]) => up >= fraction),
  )
  const [[lowF, lowC], [highF, highC]] = [points[at - 1]!, points[at]!]
  return lowC + ((highC - lowC) * (fraction - lowF)) / (highF - lowF)
}
