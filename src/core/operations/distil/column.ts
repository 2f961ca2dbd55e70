import { activityCoefficients } from './activity'
import { binaryColumn } from './binaryColumn'
import type { Column, Head } from './head'
import { bubblePoint, type Mixture } from './equilibrium'

const ln10 = Math.LN10
/** A Newton step in temperature shorter than this, K, leaves an error below a hundred-thousandth of a kelvin. */
const near = 0.05

/** Up to so many stages the turns end where the column does, for three components at any reflux: compared with Newton's method for two. */
export const surestStages = 12

/**
 * A column over a pot that changes: constant molal overflow, a total condenser, every stage in equilibrium. With the temperatures of the stages held, the balance of each component is a chain of linear equations from the pot to
 * the condenser, L·x(k+1) − (V·K(k) + L)·x(k) + V·K(k−1)·x(k−1) = 0; each stage's boiling point then gives its temperature anew, until none moves (Wang and Henke, Hydrocarbon Processing 45 (8), 1966, 155). Each
 * pot begins with the temperatures of the one before. Three components over more than `surestStages` can be off by some hundredths near the least reflux, where each turn moves the
 * front by almost nothing; two components are solved in another way and are not.
 * @param toleranceK how still the temperatures must be
 */
export function columnOver(mixture: Mixture, { stages, reflux }: Column, toleranceK = 1e-7): (pot: readonly number[]) => Head {
  if (mixture.components.length === 2) return binaryColumn(mixture, { stages, reflux }, toleranceK)
  const { components, model, mmHg } = mixture
  const count = components.length
  // Per mole of vapour.
  const L = Number.isFinite(reflux) ? reflux / (reflux + 1) : 1
  const A = components.map(({ a }) => ln10 * a - Math.log(mmHg))
  const B = components.map(({ b }) => ln10 * b)
  const C = components.map(({ c }) => c)
  const temperatures = new Float64Array(stages + 1)
  /** Fractions and equilibrium ratios y/x, stage by stage, the pot first. */
  const x = new Float64Array((stages + 1) * count)
  const K = new Float64Array((stages + 1) * count)
  const slopes = new Float64Array((stages + 1) * count)
  const carried = new Float64Array(stages + 2)
  /** Temperatures and ratios over the pot before. */
  const warmBefore = new Float64Array(stages + 1)
  const before = new Float64Array((stages + 1) * count)
  let pots = 0

  const fractions = (stage: number) => {
    const liquid = Array.from(x.subarray(stage * count, (stage + 1) * count))
    const all = liquid.reduce((sum, value) => sum + value, 0)
    return liquid.map((value) => value / all)
  }

  /**
   * Boiling point and ratios of a stage's liquid; how far its temperature moved. `anew` works the ratios out from the vapour pressures; else they are carried on from
   * where they stand, which is enough while the temperature moves little.
   */
  const boil = (stage: number, anew: boolean) => {
    const at = stage * count
    const gamma = model.kind === 'ideal' ? null : activityCoefficients(model, fractions(stage))
    const from = temperatures[stage]!
    let atC = from
    let workOut = anew || gamma !== null
    for (let turn = 0; turn < 60; turn++) {
      let all = 0
      let sum = 0
      let rises = 0
      for (let i = 0; i < count; i++) {
        if (workOut) {
          const per = 1 / (C[i]! + atC)
          K[at + i] = (gamma ? gamma[i]! : 1) * Math.exp(A[i]! - B[i]! * per)
          slopes[at + i] = B[i]! * per * per
        }
        const part = K[at + i]! * x[at + i]!
        all += x[at + i]!
        sum += part
        rises += part * slopes[at + i]!
      }
      const step = (all - sum) / rises
      if (step < near && step > -near) {
        // So near, the rest of the way is a parabola.
        for (let i = at; i < at + count; i++) {
          const change = step * slopes[i]!
          K[i] = K[i]! * (1 + change + (change * change) / 2)
        }
        atC += step
        break
      }
      // A step that is carried too far begins again from the vapour pressures.
      if (workOut) atC += step
      workOut = true
    }
    temperatures[stage] = atC
    return Math.abs(atC - from)
  }

  /** The liquids on all stages from the ratios, not yet scaled to fractions, component by component: elimination from the top down, then up from the pot. */
  const balance = () => {
    for (let i = 0; i < count; i++) {
      // x(k) = carried(k)·x(k−1), from the top down, where x(N+1) = K(N)·x(N) closes the chain; then up from the pot.
      carried[stages] = stages === 0 ? 0 : K[(stages - 1) * count + i]! / (K[stages * count + i]! * (1 - L) + L)
      for (let stage = stages - 1; stage >= 1; stage--)
        carried[stage] = K[(stage - 1) * count + i]! / (K[stage * count + i]! + L - L * carried[stage + 1]!)
      for (let stage = 1; stage <= stages; stage++) x[stage * count + i] = carried[stage]! * x[(stage - 1) * count + i]!
    }
  }

  /** Begins where the last two pots point to, in the logarithm of each ratio: most pots need no second turn then. */
  const goOn = () => {
    for (let stage = 1; stage <= stages; stage++) {
      const warm = temperatures[stage]!
      if (pots > 1) temperatures[stage] = 2 * warm - warmBefore[stage]!
      warmBefore[stage] = warm
      for (let i = stage * count; i < (stage + 1) * count; i++) {
        const now = K[i]!
        if (pots > 1) K[i] = now * Math.max(0.5, Math.min(2, now / before[i]!))
        before[i] = now
      }
    }
  }

  return (pot) => {
    if (pots === 0) {
      let liquid: readonly number[] = pot
      for (let stage = 0; stage <= stages; stage++) {
        x.set(liquid, stage * count)
        const point = bubblePoint(mixture, liquid)
        temperatures[stage] = point.atC
        liquid = point.other
      }
      for (let stage = 0; stage <= stages; stage++) boil(stage, true)
    }
    x.set(pot)
    if (stages > 0) goOn()
    pots++
    boil(0, true)
    for (let turn = 0; turn < 2000; turn++) {
      balance()
      let moved = 0
      for (let stage = 1; stage <= stages; stage++) moved = Math.max(moved, boil(stage, turn === 0))
      if (moved < toleranceK) break
    }
    const top = fractions(stages)
    const over = top.map((value, i) => K[stages * count + i]! * value)
    const all = over.reduce((sum, value) => sum + value, 0)
    const distillate = over.map((value) => value / all)
    const onStages = new Array<number>(count).fill(0)
    for (let stage = 1; stage <= stages; stage++) {
      let held = 0
      for (let i = 0; i < count; i++) held += x[stage * count + i]!
      for (let i = 0; i < count; i++) onStages[i]! += x[stage * count + i]! / held / stages
    }
    return { distillate, headC: temperatures[stages]!, potC: temperatures[0]!, onStages }
  }
}

/** One head over one pot. */
export function headOver(mixture: Mixture, column: Column, pot: readonly number[]): Head {
  return columnOver(mixture, column)(pot)
}
