/** Volumes in mL, masses in g, solubilities in g to 100 mL. */
export interface Crop {
  /** Stays dissolved in the cold mother liquor. */
  lossG: number
  cropG: number
  /** cropG over what was put in, 0 to 1. */
  recovery: number
}

/** Above what just dissolves it: enough that it does not crystallise in the funnel, and more for a hot filtration. */
export const spare = { plain: 0.1, hotFiltration: 0.4 } as const

/**
 * Hot solvent from the solubility curve: V = 100·m/s(hot), and 10 % more; with a hot filtration 40 % more, for the funnel cools and the solvent boils away.
 */
export function hotVolume(soluteG: number, hotGPer100ML: number, hotFiltration: boolean): number {
  return ((100 * soluteG) / hotGPer100ML) * (1 + (hotFiltration ? spare.hotFiltration : spare.plain))
}

/** What crystallises from a volume when it is cold: all but V·s(cold)/100, and all of it stays dissolved where that is more than there is. */
export function cropFrom(soluteG: number, volumeML: number, coldGPer100ML: number): Crop {
  const lossG = Math.min(soluteG, (volumeML * coldGPer100ML) / 100)
  return { lossG, cropG: soluteG - lossG, recovery: soluteG > 0 ? 1 - lossG / soluteG : 0 }
}

/**
 * The volume to boil down to so that the cold liquor keeps no more than the wanted fraction allows: V = 100·m·(1 − r)/s(cold).
 * It may be less than what dissolves it hot: then the crystals come while it boils, and carry impurity with them.
 */
export function boilDownTo(soluteG: number, recovery: number, coldGPer100ML: number): number {
  return (100 * soluteG * (1 - recovery)) / coldGPer100ML
}

/**
 * Solubility in a mixture of two solvents, log-linear in the volume fraction f of the second: ln s = (1 − f)·ln s1 + f·ln s2 (Yalkowsky and Roseman, Techniques of Solubilization of Drugs, 1981). A first estimate.
 */
export function solubilityInMixture(first: number, second: number, fractionOfSecond: number): number {
  return Math.exp((1 - fractionOfSecond) * Math.log(first) + fractionOfSecond * Math.log(second))
}

/** What an antisolvent brings: the crop from V mL when `addML` of a solvent that dissolves less is added cold. */
export function cropWithAntisolvent({
  soluteG,
  volumeML,
  coldGPer100ML,
  addML,
  antiGPer100ML,
}: Record<'soluteG' | 'volumeML' | 'coldGPer100ML' | 'addML' | 'antiGPer100ML', number>): Crop {
  const all = volumeML + addML
  return cropFrom(soluteG, all, solubilityInMixture(coldGPer100ML, antiGPer100ML, addML / all))
}

/** A second crop when the mother liquor is boiled down to a volume: what the first left less what that volume keeps. */
export function secondCrop(firstLossG: number, toML: number, coldGPer100ML: number): number {
  return Math.max(0, firstLossG - (toML * coldGPer100ML) / 100)
}

/** The most of an impurity that stays dissolved, g: m < s·V/100 at the cold end. More of it comes out with the product. */
export function impurityThatStays(volumeML: number, impurityColdGPer100ML: number): number {
  return (volumeML * impurityColdGPer100ML) / 100
}

/** Solvent that dissolves in it and impurity lower a solute's melting point; where nobody has measured by how much, this is allowed for, K. */
export const meltsLowerK = 10

/**
 * True where the solute may come as an oil: it begins to separate, where the solution is saturated, above the temperature at which it melts under this solvent.
 */
export function mayOilOut(separatesC: number, meltsUnderC: number): boolean {
  return separatesC > meltsUnderC
}

/** Hot to cold solubility below this ratio gives a poor crop (domain rule: at least 5:1). */
export const leastRatio = 5

/** How a crystallisation is cooled: undisturbed to room temperature, then in ice; minutes for a flask of that volume, longer for more by its surface. */
export function coolingPlan(volumeML: number): { roomMin: number; iceMin: number } {
  const longer = Math.max(1, Math.cbrt(volumeML / 100))
  return { roomMin: Math.round(15 * longer), iceMin: Math.round(8 * longer) }
}
