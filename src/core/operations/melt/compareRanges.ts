import type { MeltingRange } from './meltingReading'

const width = ({ onsetC, clearC }: MeltingRange) => clearC - onsetC
const middle = ({ onsetC, clearC }: MeltingRange) => (onsetC + clearC) / 2

/** What purifying did: how much higher and how much sharper the range has become. */
export function purificationGain(crude: MeltingRange, purified: MeltingRange): { higherC: number; sharperC: number } {
  return { higherC: middle(purified) - middle(crude), sharperC: width(crude) - width(purified) }
}

/** Two ranges are told apart from this on, °C: what a capillary read twice may differ by. */
const sameC = 2

export type MixedReading = 'consistent with the same substance' | 'consistent with another substance' | 'not to be told'

/**
 * A mixed melting point settles identity: mixed with an authentic sample the same substance melts as before, another one lower and broader. The sample itself must melt sharp, else nothing is said.
 */
export function mixedMelting(sample: MeltingRange, mixed: MeltingRange): MixedReading {
  if (width(sample) > sameC + 1e-9) return 'not to be told'
  const falls = sample.onsetC - mixed.onsetC
  return falls > sameC + 1e-9 || width(mixed) > width(sample) + sameC + 1e-9
    ? 'consistent with another substance'
    : 'consistent with the same substance'
}
