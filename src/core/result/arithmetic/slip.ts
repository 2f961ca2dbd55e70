/** Figures of a group's own that are this near, relative, are right: they round on the way. */
export const near = 0.01

/** A value that comes out of a known mistake. */
export interface Slip {
  value: number
  words: string
}

/** Whether a figure of theirs is right. */
export const isNear = (typed: number, value: number) => Math.abs(typed - value) <= near * Math.abs(value) + 1e-12

/** The mistake that gives just that figure; null where none does. */
export const slipOf = (typed: number, slips: readonly Slip[]) =>
  slips.find(({ value }) => value !== 0 && isNear(typed, value))?.words ?? null

/** A factor of a power of ten between a figure and what it should be: a unit, or the point. */
export function powerOfTen(right: number): Slip[] {
  return [1000, 0.001, 10, 0.1, 100, 0.01, 1e6, 1e-6].map((factor) => ({
    value: right * factor,
    words:
      factor === 1000 || factor === 0.001
        ? `It is ${factor > 1 ? '1000 times too large' : 'a thousandth'}: mol for mmol, or g for mg.`
        : `It is off by a factor of ${factor >= 1 ? factor : `1/${Math.round(1 / factor)}`}: the unit, or the point.`,
  }))
}
