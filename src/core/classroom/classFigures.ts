import { median } from '../quantity/median'
import { thresholds } from '../result/thresholds'

/** Median of the distances from the median: a spread that a few wild values do not move. */
export function medianAbsoluteDeviation(values: readonly number[]): number {
  const centre = median(values)
  return median(values.map((value) => Math.abs(value - centre)))
}

/**
 * For each value, whether it is a robust outlier: modified z-score 0.6745·|x − median|/MAD above 3.5 (Iglewicz and Hoaglin,
 * How to Detect and Handle Outliers, 1993). With a MAD of zero nothing is called an outlier.
 */
export function robustOutliers(values: readonly number[]): boolean[] {
  if (values.length === 0) return []
  const centre = median(values)
  const spread = medianAbsoluteDeviation(values)
  return values.map((value) => spread > 0 && (0.6745 * Math.abs(value - centre)) / spread > 3.5)
}

/** Median shift in °C of the clear points from the top of the literature band: of a class it tells the instrument, not the chemistry. Null from a single bench. */
export function classShiftC(clearC: readonly number[], literatureHighC: number): number | null {
  return clearC.length < thresholds.benches ? null : median(clearC.map((value) => value - literatureHighC))
}
