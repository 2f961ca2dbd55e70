import { vapourPressureAt } from '../../substance/boilsAt'
import type { Substance } from '../../substance/substance'

export interface Evaporating {
  /** Pressure at which it boils 20 °C below the bath, mmHg, or null where the room's pressure does it. */
  mmHg: number | null
  boilsAtC: number
  bathC: number
  /** What comes over is cooled to below this. */
  coolantC: number
}

/** The vapour is to be this much cooler than the bath, and the coolant this much cooler than the vapour, K: enough to boil and to condense. */
const stepK = 20

/**
 * How to take a solvent off at a bath temperature: the pressure at which it boils 20 °C below the bath, so that it boils steadily and does not bump, and a coolant 20 °C below that. Where that pressure is above
 * the room's, the bath alone does it. Null where its vapour pressure is not known.
 */
export function evaporating(
  solvent: Pick<Substance, 'antoine' | 'boiling'>,
  bathC: number,
  roomMMHg: number,
): Evaporating | null {
  const boilsAtC = bathC - stepK
  const pressure = vapourPressureAt(solvent, boilsAtC)
  if (pressure === null) return null
  return { mmHg: pressure >= roomMMHg ? null : pressure, boilsAtC, bathC, coolantC: boilsAtC - stepK }
}
