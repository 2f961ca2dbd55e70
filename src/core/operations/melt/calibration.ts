export interface Standard {
  name: string
  trueC: number
  readC: number
}

/** A straight line through standards: true = offset + slope·read. */
export interface Calibration {
  offsetC: number
  slope: number
  /** True less fitted, °C, in the order of the standards. */
  residuals: { name: string; residualC: number }[]
  /** Standard deviation about the line, °C; null with two standards, which a line always meets. */
  scatterC: number | null
  /** Readings between the lowest and highest standard; outside, the line is carried on and says so. */
  fromC: number
  toC: number
}

/**
 * The calibration of an instrument by least squares of true on read, from two standards or more; with one the whole scale is shifted. Null without any.
 * @throws RangeError where two standards were read at the same temperature
 */
export function calibrationOf(standards: readonly Standard[]): Calibration | null {
  const n = standards.length
  if (n === 0) return null
  const meanRead = standards.reduce((sum, { readC }) => sum + readC, 0) / n
  const meanTrue = standards.reduce((sum, { trueC }) => sum + trueC, 0) / n
  const spread = standards.reduce((sum, { readC }) => sum + (readC - meanRead) ** 2, 0)
  if (n > 1 && spread < 1e-6)
    throw new RangeError('The standards were all read at one temperature: a line needs two that differ.')
  const slope =
    n === 1 ? 1 : standards.reduce((sum, { readC, trueC }) => sum + (readC - meanRead) * (trueC - meanTrue), 0) / spread
  const offsetC = meanTrue - slope * meanRead
  const residuals = standards.map(({ name, readC, trueC }) => ({ name, residualC: trueC - (offsetC + slope * readC) }))
  const squares = residuals.reduce((sum, { residualC }) => sum + residualC ** 2, 0)
  return {
    offsetC,
    slope,
    residuals,
    scatterC: n > 2 ? Math.sqrt(squares / (n - 2)) : null,
    fromC: Math.min(...standards.map(({ readC }) => readC)),
    toC: Math.max(...standards.map(({ readC }) => readC)),
  }
}

/** A reading put right, and whether it lies outside the standards. */
export function correctedC(
  { offsetC, slope, fromC, toC }: Calibration,
  readC: number,
): { celsius: number; extrapolated: boolean } {
  return { celsius: offsetC + slope * readC, extrapolated: readC < fromC || readC > toC }
}
