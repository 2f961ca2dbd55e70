/** How a solute divides: by itself, or as an acid, a base or both, whose charged form stays in the water. */
export interface Partition {
  /** K = c(organic)/c(water) of the uncharged form. */
  K: number
  /** pKa of the acid group. */
  acidPKa?: number
  /** pKa of the conjugate acid of the basic group. */
  basePKa?: number
}

/**
 * Distribution ratio at a pH: D = K/(1 + 10^(pH − pKa)) for an acid, K/(1 + 10^(pKaH − pH)) for a base, both terms for an ampholyte, and 10^(pKaH − pKa) for its zwitterion, which stays in the water as well.
 * Holds where only the uncharged form goes into the organic layer.
 */
export function distributionRatio({ K, acidPKa, basePKa }: Partition, pH: number): number {
  const acid = acidPKa === undefined ? 0 : 10 ** (pH - acidPKa)
  const base = basePKa === undefined ? 0 : 10 ** (basePKa - pH)
  const zwitterion = acidPKa === undefined || basePKa === undefined ? 0 : 10 ** (basePKa - acidPKa)
  return K / (1 + acid + base + zwitterion)
}

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

/** A first estimate of K from how well each liquid dissolves the solute: K ≈ s(organic)/s(water), true where both are dilute. */
export function partitionFromSolubility(organicGPer100ML: number, waterGPer100ML: number): number {
  return organicGPer100ML / waterGPer100ML
}

/** K between octan-1-ol and water, 10^logP: another solvent differs, so it is a first estimate only. */
export function partitionFromLogP(logP: number): number {
  return 10 ** logP
}
