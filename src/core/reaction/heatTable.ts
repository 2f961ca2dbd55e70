import type { ClassInVessel } from './reactiveClasses'

/** The heat of a usual reaction, by the classes that meet. */
export interface Heat {
  what: string
  one: ClassInVessel
  other: ClassInVessel
  /** A third that must be there as well. */
  with?: ClassInVessel
  /** What the other may not be: an acid that gives no ester is not meant. */
  otherIsNot?: ClassInVessel
  /** kJ given off for each equivalent that reacts: least, usual, most. */
  kJ: readonly [number, number, number]
}

export const heatSource =
  'from heats of formation (CRC Handbook) and calorimetry as textbooks of process safety give it; not yet compared with a print'

/**
 * Heats of the reactions of a teaching laboratory. What is not here nobody has said; what the author writes stands above it. Special cases stand before general ones.
 */
export const heats: readonly Heat[] = [
  {
    what: 'nitration',
    one: 'concentrated nitric acid',
    other: 'oxidisable liquid',
    with: 'concentrated sulfuric acid',
    kJ: [115, 135, 155],
  },
  { what: 'addition of a Grignard reagent', one: 'organic halide', other: 'ketone', with: 'magnesium', kJ: [160, 200, 240] },
  { what: 'addition of a Grignard reagent', one: 'organic halide', other: 'aldehyde', with: 'magnesium', kJ: [160, 200, 240] },
  { what: 'forming a Grignard reagent', one: 'organic halide', other: 'magnesium', kJ: [220, 270, 320] },
  { what: 'diazotisation', one: 'nitrite', other: 'amine', with: 'acid', kJ: [60, 80, 110] },
  { what: 'hydride with water or acid', one: 'hydride', other: 'water', kJ: [85, 125, 160] },
  { what: 'hydride with acid', one: 'hydride', other: 'acid', kJ: [100, 140, 175] },
  { what: 'hydride with alcohol', one: 'hydride', other: 'alcohol', kJ: [70, 110, 150] },
  { what: 'borohydride with acid', one: 'borohydride', other: 'acid', kJ: [50, 65, 80] },
  { what: 'alkali metal with water', one: 'alkali metal', other: 'water', kJ: [180, 185, 225] },
  { what: 'alkali metal with alcohol', one: 'alkali metal', other: 'alcohol', kJ: [140, 165, 200] },
  { what: 'organolithium compound with water', one: 'organometallic compound', other: 'water', kJ: [200, 240, 280] },
  { what: 'acid chloride with amine', one: 'acyl halide', other: 'amine', kJ: [120, 150, 180] },
  { what: 'acid chloride with alcohol', one: 'acyl halide', other: 'alcohol', kJ: [50, 70, 100] },
  { what: 'acid chloride with water', one: 'acyl halide', other: 'water', kJ: [80, 95, 115] },
  { what: 'acetylation of an amine', one: 'acid anhydride', other: 'amine', kJ: [85, 100, 120] },
  { what: 'acetylation of a phenol or an alcohol', one: 'acid anhydride', other: 'alcohol', kJ: [50, 65, 80] },
  { what: 'hydrolysis of an anhydride', one: 'acid anhydride', other: 'water', kJ: [55, 58, 62] },
  { what: 'strong acid with strong base', one: 'strong acid', other: 'strong base', kJ: [55, 57, 60] },
  { what: 'weak acid with strong base', one: 'acid', other: 'strong base', kJ: [40, 50, 58] },
  { what: 'strong acid with ammonia or an amine', one: 'strong acid', other: 'amine', kJ: [35, 50, 60] },
  // From heats of formation in water: ethanol to acetaldehyde 265, to acetic acid 590 kJ/mol.
  { what: 'oxidation by chromium(VI)', one: 'chromium(VI)', other: 'alcohol', kJ: [200, 300, 600] },
  // From heats of formation in water: propan-2-ol to acetone 270 kJ/mol.
  { what: 'oxidation by hypochlorite', one: 'hypochlorite', other: 'alcohol', kJ: [200, 270, 300] },
  // From heats of formation in water: hydrogen carbonate takes up 13, carbonate gives off 2 kJ/mol.
  { what: 'carbonate with acid', one: 'carbonate', other: 'acid', kJ: [0, 0, 3] },
  { what: 'esterification', one: 'alcohol', other: 'acid', with: 'strong acid', otherIsNot: 'strong acid', kJ: [0, 5, 15] },
]
