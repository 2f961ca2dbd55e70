import { median } from '../quantity/median'

/** For a normal distribution the standard deviation is this many times the median absolute deviation. */
export const normal = 1.4826

/** The standard deviation of the noise of a trace: from the median of the differences of neighbours, which peaks hardly move; a difference has √2 times the noise of a point. */
export function noiseOf(y: ArrayLike<number>): number {
  const differences: number[] = []
  // A few thousand differences say it as well as all of them.
  const every = Math.max(1, Math.floor(y.length / 4000))
  for (let i = 1; i < y.length; i += every) differences.push(Math.abs(y[i]! - y[i - 1]!))
  return differences.length === 0 ? 0 : (normal * median(differences)) / Math.SQRT2
}
