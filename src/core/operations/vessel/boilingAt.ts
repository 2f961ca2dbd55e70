import type { Substance } from '../../substance/substance'
import { boilingPointC, vapourPressureMmHg } from '../../substance/antoine'

/** Trouton's constant over R: ΔH_vap/(R·T_b) is near 88 J/(mol·K) ÷ 8.314 for liquids that do not associate (Atkins, Physical Chemistry). */
export const trouton = 88 / 8.314462618

/** Water, for what boils with it and for the laboratory's pressure said as a boiling point. */
export const water = {
  antoine: { a: 8.07131, b: 1730.63, c: 233.426, fromC: 1, toC: 100, source: 'Lange’s Handbook of Chemistry, vapour pressures' },
} as const

export interface BoilsAt {
  atC: number
  /** What it rests on. */
  by: 'Antoine constants' | 'boiling point and Trouton’s rule'
}

type Volatile = Pick<Substance, 'antoine' | 'boiling'>

/**
 * The temperature in °C at which a liquid boils under a pressure in mmHg: from its Antoine constants where it has them, else from its normal boiling
 * point with Clausius–Clapeyron and Trouton's rule, 1/T = (1 − ln(p/760)/10.6)/T_b, which near 760 mmHg is about 0.045 K to the mmHg. Null where neither is known.
 */
export function boilsAt({ antoine, boiling }: Volatile, mmHg: number): BoilsAt | null {
  if (antoine) return { atC: boilingPointC(antoine, mmHg), by: 'Antoine constants' }
  if (!boiling) return null
  const normalK = (boiling.lowC + boiling.highC) / 2 + 273.15
  return { atC: normalK / (1 - Math.log(mmHg / 760) / trouton) - 273.15, by: 'boiling point and Trouton’s rule' }
}

/** Vapour pressure in mmHg at a temperature in °C, by the same two ways; null where neither is known. */
export function vapourPressureAt({ antoine, boiling }: Volatile, atC: number): number | null {
  if (antoine) return vapourPressureMmHg(antoine, atC)
  if (!boiling) return null
  const normalK = (boiling.lowC + boiling.highC) / 2 + 273.15
  return 760 * Math.exp(trouton * (1 - normalK / (atC + 273.15)))
}
