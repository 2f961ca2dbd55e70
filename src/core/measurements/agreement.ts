/** What two masses may differ by and still agree, g: a share of the mass, or twice the readability where that is more. */
export function agreementOf(massG: number, share: number, readabilityG: number): number {
  return Math.max(share * Math.abs(massG), 2 * readabilityG)
}

/** True when the last two masses agree, counted from the last. */
export function lastTwoAgree(massesG: readonly number[], share: number, readabilityG: number): boolean {
  if (massesG.length < 2) return false
  const [before, last] = massesG.slice(-2) as [number, number]
  // Half a nanogram forgives the float, not the balance.
  return Math.abs(before - last) <= agreementOf(last, share, readabilityG) + 5e-10
}

export interface Weighing {
  /** Minutes from the first. */
  atMin: number
  massG: number
}

export interface DryingTrend {
  /** The mass it is tending to, with its standard uncertainty, g. */
  endG: number
  uEndG: number
  /** Minutes from the first weighing until it is within the agreement of that mass; null where it does not settle. */
  endsAtMin: number | null
  /** Rate of drying, 1/min. */
  perMin: number
}

interface Fit {
  endG: number
  startG: number
  perMin: number
  squares: number
}

/** Best end and start of m(t) = end + (start − end)·e^(−k·t) for one k, by linear least squares. */
function fitFor(weighings: readonly Weighing[], perMin: number): Fit {
  const e = weighings.map(({ atMin }) => Math.exp(-perMin * atMin))
  const n = weighings.length
  const [sumE, sumEE] = [e.reduce((a, b) => a + b, 0), e.reduce((a, b) => a + b * b, 0)]
  const sumM = weighings.reduce((a, { massG }) => a + massG, 0)
  const sumEM = weighings.reduce((a, { massG }, index) => a + massG * e[index]!, 0)
  const wet = (n * sumEM - sumE * sumM) / (n * sumEE - sumE * sumE)
  const endG = (sumM - wet * sumE) / n
  const squares = weighings.reduce((a, { massG }, index) => a + (massG - endG - wet * e[index]!) ** 2, 0)
  return { endG, startG: endG + wet, perMin, squares }
}

/** The best rate between a thousandth and one to the minute: a grid in the logarithm, then golden section. */
function bestFit(weighings: readonly Weighing[]): Fit {
  const grid = Array.from({ length: 61 }, (_, index) => 10 ** (-3 + index / 20))
  const best = grid.map((perMin) => fitFor(weighings, perMin)).reduce((a, b) => (b.squares < a.squares ? b : a))
  let [low, high] = [best.perMin / 1.13, best.perMin * 1.13]
  const ratio = (Math.sqrt(5) - 1) / 2
  for (let turn = 0; turn < 60; turn++) {
    const [a, b] = [high - ratio * (high - low), low + ratio * (high - low)]
    if (fitFor(weighings, a).squares < fitFor(weighings, b).squares) high = b
    else low = a
  }
  return fitFor(weighings, (low + high) / 2)
}

/**
 * Where a drying solid is tending to, from three or more weighings: surface liquid leaves at a rate in proportion to what is left, so m(t) = end + (start − end)·e^(−k·t). The uncertainty follows from the balance: each
 * reading is moved by its own uncertainty, and the changes of the end add in quadrature (GUM 5.1.3). Null with fewer readings, or while the mass is not falling ever slower.
 * @param agreementG how close to the end counts as dry, g
 */
export function dryingTrend(weighings: readonly Weighing[], uG: number, agreementG: number): DryingTrend | null {
  if (weighings.length < 3) return null
  const fit = bestFit(weighings)
  const wet = fit.startG - fit.endG
  if (!(wet > 0) || fit.perMin <= 0.00105 || fit.endG <= 0) return null
  const shifts = weighings.map((_, moved) => {
    const other = weighings.map((each, index) => (index === moved ? { ...each, massG: each.massG + uG } : each))
    return bestFit(other).endG - fit.endG
  })
  const endsAtMin = agreementG > 0 ? Math.max(0, Math.log(wet / agreementG) / fit.perMin) : null
  return { endG: fit.endG, uEndG: Math.hypot(...shifts), endsAtMin, perMin: fit.perMin }
}
