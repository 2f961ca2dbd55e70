import { activityCoefficients, type ActivityModel } from '../../matter/activity'
import type { Mixture } from '../../matter/equilibrium'
import type { Column } from './head'

const ln10 = Math.LN10
/** A Newton step in temperature shorter than this, K, leaves an error below a hundred-thousandth of a kelvin. */
const near = 0.05

/** The stages of a column with what stands on each: fractions, equilibrium ratios y/x and boiling points, the pot first. */
export class Stages {
  readonly count: number
  readonly stages: number
  readonly model: ActivityModel
  /** Reflux per mole of vapour. */
  readonly L: number
  private readonly A: number[]
  private readonly B: number[]
  private readonly C: number[]
  readonly temperatures: Float64Array
  readonly x: Float64Array
  readonly K: Float64Array
  private readonly slopes: Float64Array
  private readonly carried: Float64Array
  /** Temperatures and ratios over the pot before. */
  private readonly warmBefore: Float64Array
  private readonly before: Float64Array
  pots = 0

  constructor({ components, model, mmHg }: Mixture, { stages, reflux }: Column) {
    const count = components.length
    this.count = count
    this.stages = stages
    this.model = model
    this.L = Number.isFinite(reflux) ? reflux / (reflux + 1) : 1
    this.A = components.map(({ a }) => ln10 * a - Math.log(mmHg))
    this.B = components.map(({ b }) => ln10 * b)
    this.C = components.map(({ c }) => c)
    this.temperatures = new Float64Array(stages + 1)
    this.x = new Float64Array((stages + 1) * count)
    this.K = new Float64Array((stages + 1) * count)
    this.slopes = new Float64Array((stages + 1) * count)
    this.carried = new Float64Array(stages + 2)
    this.warmBefore = new Float64Array(stages + 1)
    this.before = new Float64Array((stages + 1) * count)
  }

  /** Mole fractions of a stage's liquid. */
  fractions(stage: number): number[] {
    const liquid = Array.from(this.x.subarray(stage * this.count, (stage + 1) * this.count))
    const all = liquid.reduce((sum, value) => sum + value, 0)
    return liquid.map((value) => value / all)
  }

  /**
   * Boiling point and ratios of a stage's liquid; how far its temperature moved. `anew` works the ratios out from the vapour pressures; else they are carried on from
   * where they stand, which is enough while the temperature moves little.
   */
  boil(stage: number, anew: boolean): number {
    const { A, B, C, K, count, model, slopes, temperatures, x } = this
    const at = stage * count
    const gamma = model.kind === 'ideal' ? null : activityCoefficients(model, this.fractions(stage))
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
  balance(): void {
    const { K, L, carried, count, stages, x } = this
    for (let i = 0; i < count; i++) {
      // x(k) = carried(k)·x(k−1), from the top down, where x(N+1) = K(N)·x(N) closes the chain; then up from the pot.
      carried[stages] = stages === 0 ? 0 : K[(stages - 1) * count + i]! / (K[stages * count + i]! * (1 - L) + L)
      for (let stage = stages - 1; stage >= 1; stage--)
        carried[stage] = K[(stage - 1) * count + i]! / (K[stage * count + i]! + L - L * carried[stage + 1]!)
      for (let stage = 1; stage <= stages; stage++) x[stage * count + i] = carried[stage]! * x[(stage - 1) * count + i]!
    }
  }

  /** Begins where the last two pots point to, in the logarithm of each ratio: most pots need no second turn then. */
  goOn(): void {
    const { K, before, count, pots, stages, temperatures, warmBefore } = this
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
}
