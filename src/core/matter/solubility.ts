import type { Substance } from '../substance/substance'
export interface SolubilityPoint {
  atC: number
  gPer100ML: number
}

/**
 * Solubility in g per 100 mL of solvent at a temperature, from the record's points: ln s is linear in 1/T between two points
 * (van 't Hoff). Outside the points the nearest pair is extended; one point alone is returned as it is.
 * @throws RangeError when there is no point.
 */
export function solubilityAt(points: readonly SolubilityPoint[], atC: number): number {
  const sorted = [...points].sort((a, b) => a.atC - b.atC)
  if (sorted.length === 0) throw new RangeError('A solubility needs at least one point.')
  if (sorted.length === 1) return sorted[0]!.gPer100ML
  const firstAbove = sorted.findIndex((point) => point.atC >= atC)
  const above = Math.max(1, firstAbove === -1 ? sorted.length - 1 : firstAbove)
  const [a, b] = [sorted[above - 1]!, sorted[above]!]
  const inverse = (celsius: number) => 1 / (celsius + 273.15)
  const share = (inverse(atC) - inverse(a.atC)) / (inverse(b.atC) - inverse(a.atC))
  return Math.exp(Math.log(a.gPer100ML) + share * Math.log(b.gPer100ML / a.gPer100ML))
}

/**
 * Grams that stay dissolved in a volume of cold solvent: V·s/100, but never more than there is.
 */
export function leftInMotherLiquor(volumeML: number, coldGPer100ML: number, soluteG: number): number {
  return Math.min(soluteG, (volumeML * coldGPer100ML) / 100)
}

/** The solubilities that are known of a solute in a solvent; undefined where none is. */
export const solubilityIn = (solute: Pick<Substance, 'solubility'> | undefined, solvent: Pick<Substance, 'id'>) =>
  solute?.solubility?.find((each) => each.solvent === solvent.id)?.points

/**
 * The temperature at which a solution of a strength is just saturated, °C: the curve of solubilityAt turned round, by halving. Null where one point alone gives no slope, or the strength lies beyond what the curve reaches.
 */
export function saturatedAtC(points: readonly SolubilityPoint[], gPer100ML: number): number | null {
  if (points.length < 2) return null
  let [low, high] = [-40, 200]
  if (solubilityAt(points, low) > gPer100ML || solubilityAt(points, high) < gPer100ML) return null
  for (let turn = 0; turn < 50; turn++) {
    const middle = (low + high) / 2
    if (solubilityAt(points, middle) < gPer100ML) low = middle
    else high = middle
  }
  return (low + high) / 2
}
