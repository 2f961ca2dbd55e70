/** A peak as it is counted: its area, who it is, and how strongly the detector shows it. */
export interface Counted {
  name: string
  area: number
  /** Area per mass, relative to the standard; 1 where nobody has said. */
  response: number
  /** Left out of the sum: solvent, injection, standard. */
  left?: boolean
}

/** Parts of what was injected, in per cent by mass, from areas and response factors: w = (A/f) ÷ Σ(A/f). What is left out has none. @throws RangeError for a factor that is not positive */
export function areaPercent(peaks: readonly Counted[]): (number | null)[] {
  for (const { response } of peaks) if (!(response > 0)) throw new RangeError('A response factor is a positive number.')
  const all = peaks.reduce((sum, { area, response, left }) => (left ? sum : sum + area / response), 0)
  return peaks.map(({ area, response, left }) => (left || all === 0 ? null : (100 * area) / response / all))
}

/**
 * Mass of an analyte by an internal standard: m = m(standard) × (A ÷ A(standard)) ÷ f, with f the response of the analyte relative to the standard.
 * @throws RangeError unless area of the standard and factor are positive
 */
export function byInternalStandard({
  areaStandard,
  standardMg,
  area,
  response,
}: Record<'areaStandard' | 'standardMg' | 'area' | 'response', number>): number {
  if (!(areaStandard > 0) || !(response > 0)) throw new RangeError('The standard has an area, and a response factor is positive.')
  return (standardMg * area) / areaStandard / response
}
