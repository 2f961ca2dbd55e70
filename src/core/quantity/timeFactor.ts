/**
 * How much longer an addition or a cooling takes at equal cooling: the surface of a vessel grows as scale^(2/3) and its contents as the scale, so the
 * time to lead the same heat per gram away grows as scale^(1/3). @throws RangeError unless the factor is positive
 */
export function timeFactor(factor: number): number {
  if (!(factor > 0)) throw new RangeError('A scale is a positive number.')
  return Math.cbrt(factor)
}
