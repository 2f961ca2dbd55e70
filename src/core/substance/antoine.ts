import type { SubstanceRecord } from './record'

type Antoine = Pick<NonNullable<SubstanceRecord['antoine']>, 'a' | 'b' | 'c'>

/** Vapour pressure in mmHg at a temperature in °C: log10 p = a − b/(c + t) (Antoine). */
export function vapourPressureMmHg({ a, b, c }: Antoine, atC: number): number {
  return 10 ** (a - b / (c + atC))
}

/** The temperature in °C at which the vapour pressure reaches `mmHg`; 760 by default, the normal boiling point. */
export function boilingPointC({ a, b, c }: Antoine, mmHg = 760): number {
  return b / (a - Math.log10(mmHg)) - c
}
