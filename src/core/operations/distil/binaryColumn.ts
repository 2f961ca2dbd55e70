import { activityCoefficients } from '../../matter/activity'
import type { Column, Head } from './head'
import { bubblePoint, vapourPressure, type Mixture } from '../../matter/equilibrium'

/** Lines of the table: between two of them boiling point and relative volatility are straight to a millionth of themselves. */
const lines = 1024

/**
 * A column over a pot of two components, where a boiling point and a relative volatility α belong to each mole fraction: they stand in a table that is read between its lines, and y = α·x/(1 + (α − 1)·x). The balances of the first component, L·x(k+1) − y(k) − L·x(k) + y(k−1) = 0 for
 * each stage k, are then solved together by Newton's method, each turn a chain of linear equations; every pot begins where the last two point to.
 * Assumptions as for columnOver.
 * @param toleranceK how still the temperatures must be
 */
export function binaryColumn(mixture: Mixture, { stages, reflux }: Column, toleranceK: number): (pot: readonly number[]) => Head {
  const L = Number.isFinite(reflux) ? reflux / (reflux + 1) : 1
  const { boils, volatility } = tableOf(mixture)
  const x = new Float64Array(stages + 1)
  const y = new Float64Array(stages + 1)
  const rise = new Float64Array(stages + 1)
  const before = new Float64Array(stages + 1)
  const factor = new Float64Array(stages + 1)
  const push = new Float64Array(stages + 1)
  let pots = 0
  const read = (table: Float64Array, at: number) => {
    const line = Math.min(Math.floor(at * lines), lines - 1)
    return table[line]! + (at * lines - line) * (table[line + 1]! - table[line]!)
  }
  /** Vapours and their slopes over the liquids as they stand, from one stage up. */
  const boil = (from: number, to: number) => {
    for (let k = from; k <= to; k++) {
      const at = x[k]!
      const line = Math.min(Math.floor(at * lines), lines - 1)
      const step = volatility[line + 1]! - volatility[line]!
      const alpha = volatility[line]! + (at * lines - line) * step
      const share = 1 / (1 + (alpha - 1) * at)
      y[k] = alpha * at * share
      rise[k] = (alpha + step * lines * at * (1 - at)) * share * share
    }
  }
  /** One turn of Newton's method, from the pot up and back down; the largest change of a mole fraction. */
  const turn = () => {
    factor[0] = 0
    push[0] = 0
    for (let k = 1; k <= stages; k++) {
      // The liquid that comes down on the topmost stage is its own vapour, condensed.
      const down = k === stages ? y[k]! : x[k + 1]!
      const short = L * (down - x[k]!) - y[k]! + y[k - 1]!
      const own = k === stages ? (L - 1) * rise[k]! - L : -rise[k]! - L
      const divisor = own + rise[k - 1]! * factor[k - 1]!
      factor[k] = k === stages ? 0 : -L / divisor
      push[k] = (-short - rise[k - 1]! * push[k - 1]!) / divisor
    }
    let moved = 0
    let change = 0
    for (let k = stages; k >= 1; k--) {
      change = push[k]! + factor[k]! * change
      const next = Math.min(1, Math.max(0, x[k]! + change))
      const move = Math.abs(next - x[k]!)
      if (move > moved) moved = move
      x[k] = next
    }
    return moved
  }
  // A mole fraction moves the boiling point by no more than the steepest step of the table.
  let steepest = 0
  for (let line = 0; line < lines; line++) steepest = Math.max(steepest, Math.abs(boils[line + 1]! - boils[line]!) * lines)
  const still = Math.max(1e-13, toleranceK / steepest)

  return (pot) => {
    x[0] = pot[0]!
    boil(0, 0)
    for (let k = 1; k <= stages; k++) {
      const now = x[k]!
      if (pots === 0) {
        x[k] = y[k - 1]!
        boil(k, k)
      } else if (pots > 1) x[k] = Math.min(1, Math.max(0, 2 * now - before[k]!))
      before[k] = now
    }
    pots++
    boil(1, stages)
    for (let turns = 0; turns < 200 && stages > 0; turns++) {
      const moved = turn()
      boil(1, stages)
      if (moved < still) break
    }
    const top = y[stages]!
    let onStages = 0
    for (let k = 1; k <= stages; k++) onStages += x[k]! / stages
    return {
      distillate: [top, 1 - top],
      headC: read(boils, x[stages]!),
      potC: read(boils, x[0]),
      onStages: stages === 0 ? [0, 0] : [onStages, 1 - onStages],
    }
  }
}

/** Boiling points and relative volatilities K1/K2 at even steps of the first component's mole fraction. */
function tableOf(mixture: Mixture): { boils: Float64Array; volatility: Float64Array } {
  const { components, model } = mixture
  const boils = new Float64Array(lines + 1)
  const volatility = new Float64Array(lines + 1)
  let guess: number | undefined
  for (let line = 0; line <= lines; line++) {
    const x = [line / lines, 1 - line / lines]
    guess = bubblePoint(mixture, x, guess).atC
    const [first, second] = activityCoefficients(model, x)
    boils[line] = guess
    volatility[line] = (first! * vapourPressure(components[0]!, guess)) / (second! * vapourPressure(components[1]!, guess))
  }
  return { boils, volatility }
}
