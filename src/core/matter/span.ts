/** What a figure may be: at the least, most likely, at the most. Low is never above likely, nor likely above high. */
export interface Span {
  low: number
  likely: number
  high: number
}

/** An amount as a reader sees it: unknown is a value, never 0 and never a guess. */
export type Known = Span | 'unknown'

export const exactly = (value: number): Span => ({ low: value, likely: value, high: value })

/** A span around a likely value that may be off by a factor either way. */
export const within = (likely: number, factor: number): Span => ({ low: likely / factor, likely, high: likely * factor })

/**
 * One realisation of everything that is not known for certain: asked by a key that says what is chosen and in which step, and by its span. The same key is always answered alike in one walk.
 */
export type Draw = (key: string, span: Span) => number

/** The realisation in which everything is as it most likely is. */
export const likely: Draw = (_key, span) => span.likely

export const lowest: Draw = (_key, span) => span.low
export const highest: Draw = (_key, span) => span.high

/** Every second thing low and every other high, by its key; and the other way round. Together with the two before they show how far a holding may go. */
const parity = (key: string) => {
  let sum = 0
  for (let at = 0; at < key.length; at++) sum += key.charCodeAt(at)
  return sum % 2
}
export const crossed: Draw = (key, span) => (parity(key) === 0 ? span.low : span.high)
export const crossedBack: Draw = (key, span) => (parity(key) === 0 ? span.high : span.low)

/** The span that several realisations of one amount lie in; unknown where it is unknown in any. */
export function spanOf(values: readonly (number | null)[], likelyValue: number | null): Known {
  if (likelyValue === null || values.some((value) => value === null)) return 'unknown'
  const all = [likelyValue, ...(values as number[])]
  return { low: Math.min(...all), likely: likelyValue, high: Math.max(...all) }
}
