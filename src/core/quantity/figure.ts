/**
 * A number with how well it is known. `rounding` is half a unit of the last figure written, as a
 * fraction of the value; it decides how many figures may be shown. `u` is the standard uncertainty
 * from the measuring devices, as a fraction of the value; it is what stands behind ±.
 */
export interface Figure {
  value: number
  rounding: number
  u: number
}

/** An exact number: a coefficient, a count, a defined constant. */
export function exact(value: number): Figure {
  return { value, rounding: 0, u: 0 }
}

/** A number known to so many decimals: 1.022 with 3 decimals is good to half of 0.001. */
export function written(value: number, decimals: number, u = 0): Figure {
  return { value, rounding: value === 0 ? 0 : (0.5 * 10 ** -decimals) / Math.abs(value), u }
}

/**
 * The decimals with which a typed number is shown: those it was typed with; where a scale has taken it off them, at least two figures, so that 2 g at 0.735 of the scale are 1.5 g and not 1 g.
 */
export function decimalsShown(value: number, decimals: number): number {
  const exactly = Math.abs(Number(value.toFixed(Math.min(100, Math.max(0, decimals)))) - value) <= 1e-9 * Math.abs(value)
  return exactly || value === 0 ? decimals : Math.max(decimals, 1 - Math.floor(Math.log10(Math.abs(value))))
}

/**
 * A number read off a display that shows so many decimals: its standard uncertainty is the last digit over √12, as every value within it is as likely (GUM 4.3.7), with what else is uncertain about it in its own unit.
 */
export function readTo(value: number, decimals: number, besides = 0): Figure {
  const u = Math.hypot(10 ** -decimals / Math.sqrt(12), besides)
  return written(value, decimals, value === 0 ? 0 : u / Math.abs(value))
}

/** The decimals a constant is written with in its record: 1.022 has three. */
export function decimalsOf(value: number): number {
  return (String(value).split('.')[1] ?? '').length
}

/** A constant as its record writes it. */
export function constant(value: number): Figure {
  return written(value, decimalsOf(value))
}

/** Product; relative uncertainties of independent factors add in quadrature (GUM, 5.1.6). */
export function times(...factors: Figure[]): Figure {
  return {
    value: factors.reduce((product, factor) => product * factor.value, 1),
    rounding: Math.hypot(...factors.map((factor) => factor.rounding)),
    u: Math.hypot(...factors.map((factor) => factor.u)),
  }
}

/** Quotient; relative uncertainties add in quadrature as in a product. */
export function over(numerator: Figure, denominator: Figure): Figure {
  return {
    value: numerator.value / denominator.value,
    rounding: Math.hypot(numerator.rounding, denominator.rounding),
    u: Math.hypot(numerator.u, denominator.u),
  }
}

/** Difference of two readings; absolute uncertainties add in quadrature. */
export function minus(a: Figure, b: Figure): Figure {
  const value = a.value - b.value
  const relative = (of: 'rounding' | 'u') => (value === 0 ? 0 : Math.hypot(a[of] * a.value, b[of] * b.value) / Math.abs(value))
  return { value, rounding: relative('rounding'), u: relative('u') }
}

/**
 * How many decimals a figure may show: as many as keep the last one meaningful, which is when twice
 * its rounding half-width still reaches the next decimal. Exact figures show what they hold.
 */
export function decimalsJustified(figure: Figure): number {
  if (figure.value === 0) return 0
  if (figure.rounding === 0) return Math.min(6, decimalsOf(Number(figure.value.toPrecision(6))))
  const half = figure.rounding * Math.abs(figure.value)
  return Math.min(6, Math.max(0, Math.ceil(-Math.log10(2 * half) - 1e-9)))
}

/** The sum of two figures, each with its own uncertainty. */
export function plus(a: Figure, b: Figure): Figure {
  const value = a.value + b.value
  const together = (of: 'rounding' | 'u') => Math.hypot(a[of] * a.value, b[of] * b.value) / value
  return { value, rounding: together('rounding'), u: together('u') }
}
