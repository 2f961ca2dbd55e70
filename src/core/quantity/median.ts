/** Middle value; the mean of the two middle ones for an even count. @throws RangeError on an empty list. */
export function median(values: readonly number[]): number {
  if (values.length === 0) throw new RangeError('The median of nothing is not defined.')
  const sorted = [...values].sort((a, b) => a - b)
  const middle = sorted.length / 2
  return Number.isInteger(middle) ? (sorted[middle - 1]! + sorted[middle]!) / 2 : sorted[Math.floor(middle)]!
}
