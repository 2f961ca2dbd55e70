/** A number with three figures, four where it begins with 1, as it is written by hand in a working. */
export function significant(value: number): string {
  if (value === 0 || !Number.isFinite(value)) return String(value)
  const figures = Math.abs(value) / 10 ** Math.floor(Math.log10(Math.abs(value))) < 2 ? 4 : 3
  const decimals = Math.max(0, figures - 1 - Math.floor(Math.log10(Math.abs(value))))
  return value.toFixed(Math.min(8, decimals)).replace('-', '−')
}
