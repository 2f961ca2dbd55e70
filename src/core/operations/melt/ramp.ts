/** How a capillary is heated, in two rows: fast, then slow through the melting range. */
export interface Ramp {
  fastToC: number
  slowFromC: number
  slowToC: number
  perMin: { low: number; high: number }
  /** Minutes of the slow part at the middle rate. */
  slowMin: number
}

/** Fast to this far below the range, K; then one to two degrees a minute, so that the sample keeps up with the thermometer. */
const fastToBelowK = 20

/** The ramp for a sample that should melt from `lowC` to `highC`: fast to 20 °C below, then 1–2 °C a minute to 5 °C past it. */
export function rampFor(lowC: number, highC: number): Ramp {
  const slowFromC = lowC - fastToBelowK
  const slowToC = highC + 5
  return { fastToC: slowFromC, slowFromC, slowToC, perMin: { low: 1, high: 2 }, slowMin: (slowToC - slowFromC) / 1.5 }
}

/**
 * Degrees by which a capillary heated too fast reads high: the sample lags about half a minute behind the block, so the reading runs ahead by rate · 0.5 min. A rough figure for why 10 °C a minute is too fast.
 */
export function lagAt(perMin: number): number {
  return 0.5 * perMin
}
