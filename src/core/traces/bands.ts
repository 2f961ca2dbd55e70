import type { FunctionalGroup } from '../substance/lists'
import { shapesIn } from '../substance/shapes'
import type { Substance } from '../substance/substance'
import { median } from '../quantity/median'
import type { Trace } from './trace'

/** What a spectrum is asked for: the functional groups of a record, and what a structure shows besides. */
export type AbsorbingGroup = FunctionalGroup | 'amide' | 'amide with N–H' | 'nitro compound' | 'acid anhydride'

/** What of a substance absorbs: its groups, and by its structure an amide, a nitro compound, an anhydride. An anhydride or amide is read for itself, not as the acid it comes from. */
export function absorbing({ groups = [], smiles }: Pick<Substance, 'groups' | 'smiles'>): AbsorbingGroup[] {
  const shapes = shapesIn(smiles)
  return [
    ...groups,
    ...(shapes.has('amide') ? (['amide'] as const) : []),
    ...(shapes.has('amide with N–H') ? (['amide with N–H'] as const) : []),
    ...(shapes.has('nitro compound') ? (['nitro compound'] as const) : []),
    ...(shapes.has('acid anhydride') ? (['acid anhydride'] as const) : []),
  ]
}

/** Where a functional group absorbs, cm⁻¹. */
export interface Band {
  group: AbsorbingGroup
  bond: string
  low: number
  high: number
  /** A band so broad that others stand in it: it is judged by the level of this part, where nothing else absorbs. */
  level?: { low: number; high: number }
}

export const bandSource =
  'Silverstein, Webster, Kiemle: Spectrometric Identification of Organic Compounds, characteristic group absorptions; not yet compared with it'

/** The bands that teaching laboratories look for; an aromatic neighbour lowers a carbonyl by 20 to 40 cm⁻¹, which the ranges allow for. */
export const bands: readonly Band[] = [
  { group: 'alcohol', bond: 'O–H', low: 3200, high: 3600 },
  { group: 'phenol', bond: 'O–H', low: 3200, high: 3600 },
  { group: 'carboxylic acid', bond: 'O–H, very broad', low: 2500, high: 3300, level: { low: 2500, high: 2690 } },
  { group: 'carboxylic acid', bond: 'C=O', low: 1670, high: 1730 },
  { group: 'ester', bond: 'C=O', low: 1705, high: 1755 },
  { group: 'ester', bond: 'C–O', low: 1150, high: 1310 },
  { group: 'aldehyde', bond: 'C=O', low: 1680, high: 1740 },
  { group: 'aldehyde', bond: 'C–H, by the carbonyl', low: 2690, high: 2860 },
  { group: 'ketone', bond: 'C=O', low: 1650, high: 1725 },
  { group: 'amine', bond: 'N–H', low: 3300, high: 3500 },
  { group: 'ether', bond: 'C–O', low: 1050, high: 1275 },
  { group: 'amide', bond: 'C=O', low: 1630, high: 1695 },
  { group: 'amide with N–H', bond: 'N–H', low: 3060, high: 3500 },
  { group: 'nitro compound', bond: 'N=O, unsymmetric', low: 1500, high: 1570 },
  { group: 'nitro compound', bond: 'N=O, symmetric', low: 1300, high: 1390 },
  { group: 'acid anhydride', bond: 'C=O, the higher of two', low: 1775, high: 1850 },
]

/** A band in a spectrum: looked for, and how strong it is there, as a part of the strongest. */
export interface BandLooked extends Band {
  /** It should be there by the product, or should have gone with the starting material. */
  wanted: 'there' | 'gone'
  strength: number
  atCm: number | null
  found: boolean
}

/** Below this part of the strongest band there is none. */
const leastStrength = 0.12
/** Nor is there a broad one whose level is raised by less than this part of the strongest. */
const leastLevel = 0.08

/** Absorbance of an infrared trace: transmittance in per cent or as a fraction is turned into it. */
function absorbanceOf({ y, yUnit }: Pick<Trace, 'y' | 'yUnit'>): number[] {
  const unit = yUnit.toLowerCase()
  if (!unit.includes('transmit') && unit !== '%t' && unit !== 't') return [...y]
  const highest = y.reduce((most, value) => Math.max(most, value), 0)
  const full = highest > 2 ? 100 : 1
  return y.map((value) => -Math.log10(Math.min(1.5, Math.max(1e-4, value / full))))
}

/** The bands that the groups of the product should show, and those that only the starting material has. */
export function bandsFor(
  product: readonly AbsorbingGroup[],
  starting: readonly AbsorbingGroup[],
): (Band & Pick<BandLooked, 'wanted'>)[] {
  const there = bands.filter(({ group }) => product.includes(group))
  const gone = bands.filter(
    ({ group, low, high }) =>
      starting.includes(group) &&
      !product.includes(group) &&
      // Where the product absorbs as well, nothing can be seen to have gone.
      !there.some((other) => other.low < high && low < other.high),
  )
  return [
    ...there.map((band) => ({ ...band, wanted: 'there' as const })),
    ...gone.map((band) => ({ ...band, wanted: 'gone' as const })),
  ]
}

/** Looks for bands in a spectrum: the highest absorbance inside each, over the level of the whole, against the strongest of all. */
export function lookFor(trace: Trace, wanted: readonly (Band & Pick<BandLooked, 'wanted'>)[]): BandLooked[] {
  const a = absorbanceOf(trace)
  const floor = a.length > 0 ? median(a) : 0
  const strongest = a.reduce((most, value) => Math.max(most, value - floor), 0)
  return wanted.map((band) => {
    if (band.level) {
      const { low, high } = band.level
      const inside = a.filter((_, index) => trace.x[index]! >= low && trace.x[index]! <= high)
      const raised = inside.length === 0 ? 0 : median(inside) - floor
      const strength = strongest > 0 ? Math.max(0, raised) / strongest : 0
      return { ...band, strength, atCm: (low + high) / 2, found: strength >= leastLevel }
    }
    let [most, at] = [0, null as number | null]
    trace.x.forEach((x, index) => {
      if (x < band.low || x > band.high || a[index]! - floor <= most) return
      // A shoulder of a band next door rises to the edge; a band of its own has its top inside.
      if (a[index]! < (a[index - 1] ?? -Infinity) || a[index]! < (a[index + 1] ?? -Infinity)) return
      ;[most, at] = [a[index]! - floor, x]
    })
    const strength = strongest > 0 ? most / strongest : 0
    return { ...band, strength, atCm: at, found: strength >= leastStrength }
  })
}
