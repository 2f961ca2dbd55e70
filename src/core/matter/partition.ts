/** A watery layer that is shaken with portions of an organic one. */
export interface Shaking {
  /** Distribution ratio, organic over watery. */
  D: number
  waterML: number
  portionML: number
  portions: number
}

/** Fraction left in the water after n portions of V_o each against V_a: q = (V_a/(V_a + D·V_o))^n. */
export function fractionLeft({ D, waterML, portionML, portions }: Shaking): number {
  return (waterML / (waterML + D * portionML)) ** portions
}

/** The most that a total volume of solvent can leave behind when it is parted ever finer: exp(−D·V_tot/V_a). */
export function fractionLimit(D: number, waterML: number, totalML: number): number {
  return Math.exp((-D * totalML) / waterML)
}

/**
 * The least number of portions of one size that take the wanted fraction out, or null where none up to 50 does.
 */
export function portionsFor(wanted: number, { D, waterML, portionML }: Omit<Shaking, 'portions'>): number | null {
  const step = Math.log(1 + (D * portionML) / waterML)
  const count = Math.ceil(-Math.log(1 - wanted) / step - 1e-9)
  return step > 0 && count <= 50 ? Math.max(1, count) : null
}

/** The volume of each of n portions that take the wanted fraction out: V_o = V_a·((1 − r)^(−1/n) − 1)/D. */
export function portionFor(wanted: number, { D, waterML, portions }: Omit<Shaking, 'portionML'>): number {
  return (waterML * ((1 - wanted) ** (-1 / portions) - 1)) / D
}
