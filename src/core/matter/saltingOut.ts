/**
 * Sodium chloride in water at 20 °C: 35.9 g to 100 g of water saturate it; the solution is 26.4 % by mass at 1.20 g/mL, which is 5.4 mol/L
 * (CRC Handbook, solubility of inorganic salts; concentrative properties of aqueous solutions).
 */
export const saturatedSodiumChloride = { gPerMLWater: 0.359, molPerL: 5.4, gPerML: 1.2 } as const

/**
 * By what a partition coefficient rises where the water holds a salt: K/K0 = 10^(kS·c), c in mol/L, kS in L/mol (Setschenow, Zeitschrift für physikalische
 * Chemie 4, 1889, 117). Holds for the uncharged form.
 */
export function saltingFactor(setschenow: number, saltMolPerL: number): number {
  return 10 ** (setschenow * saltMolPerL)
}

/** Benzene with sodium chloride at 25 °C, L/mol (McDevit and Long, J. Am. Chem. Soc. 74, 1952, 1773): of the size that small neutral molecules have; polar ones have less. */
export const usualSetschenow = 0.195
