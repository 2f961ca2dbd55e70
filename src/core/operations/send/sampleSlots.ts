/** Letters by rows and numbers by columns, as in a tray of 6 × 8 vials. */
const rows = 'ABCDEF'
const perRow = 8

/** The slots of an instrument's tray, in order. */
export const slots: readonly string[] = [...rows].flatMap((row) =>
  Array.from({ length: perRow }, (_, index) => `${row}${index + 1}`),
)

/**
 * Slots of the tray for so many benches with so many samples each: a bench's samples lie side by side, benches one after another. Null for a bench that no longer fits.
 * @throws RangeError unless bench and sample count are positive whole numbers
 */
export function slotsOf(bench: number, samplesEach: number): string[] | null {
  if (!Number.isInteger(bench) || !Number.isInteger(samplesEach) || bench < 1 || samplesEach < 1)
    throw new RangeError('Benches and samples are counted in whole numbers from 1.')
  const first = (bench - 1) * samplesEach
  return first + samplesEach <= slots.length ? slots.slice(first, first + samplesEach) : null
}
