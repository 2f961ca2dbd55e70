import { decimalsJustified, decimalsShown, type Figure } from './figure'
import type { Quantity, Unit } from './unit'

/** What stands in print for a figure that is not known. */
const notKnown = '–'

/** A number in print: fixed decimals, a true minus sign, no negative zero; what is no number is not known, and is printed so. */
export function writeNumber(value: number, decimals: number): string {
  if (!Number.isFinite(value)) return notKnown
  const text = value.toFixed(decimals)
  return Number(text) === 0 ? text.replace('-', '') : text.replace('-', '−')
}

/** A band as its record gives it: one figure where both ends are the same. */
export const writeBand = (low: number, high: number): string => (low === high ? `${low}` : `${low}–${high}`)

/** A typed quantity as it was meant: 4.00 mL keeps both decimals. */
export function writeQuantity(quantity: Quantity): string {
  return `${writeNumber(quantity.value, Math.max(0, decimalsShown(quantity.value, quantity.decimals)))} ${quantity.unit}`
}

/** The value in full for the working: ten significant figures with no trailing zeros. */
export function writeFull(value: number): string {
  if (!Number.isFinite(value)) return notKnown
  return String(Number(value.toPrecision(10))).replace('-', '−')
}

const ladders = {
  mass: [
    ['kg', 1e3, 1e3],
    ['g', 1, 0.1],
    ['mg', 1e-3, 0],
  ],
  volume: [
    ['L', 1e3, 1e3],
    ['mL', 1, 0.1],
    ['µL', 1e-3, 0],
  ],
  amount: [
    ['mol', 1e3, 1e3],
    ['mmol', 1, 0.1],
    ['µmol', 1e-3, 0],
  ],
} as const

export interface WrittenFigure {
  number: string
  unit: Unit
}

/**
 * A figure in base units (g, mL, mmol) as a chemist would write it: a fitting unit and no more figures than its inputs justify.
 * `guard` adds figures that are carried through a working and dropped at its end.
 */
export function writeFigure(figure: Figure, dimension: keyof typeof ladders, guard = 0): WrittenFigure {
  const ladder = ladders[dimension]
  const [unit, factor] = ladder.find(([, , from]) => Math.abs(figure.value) >= from) ?? ladder[1]
  const shown = { ...figure, value: figure.value / factor }
  return { number: writeNumber(shown.value, decimalsJustified(shown) + guard), unit }
}

/** `43.5 mmol`, in one string. */
export function writeFigureText(figure: Figure, dimension: keyof typeof ladders, guard = 0): string {
  const { number, unit } = writeFigure(figure, dimension, guard)
  return `${number} ${unit}`
}

/** A pure number (a ratio) with the figures it deserves, three decimals at most; an exact one with two. */
export function writeRatio(figure: Figure): string {
  return writeNumber(figure.value, figure.rounding === 0 ? 2 : Math.min(3, decimalsJustified(figure)))
}
