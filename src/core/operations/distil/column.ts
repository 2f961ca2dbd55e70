import { binaryColumn } from './binaryColumn'
import type { Column, Head } from './head'
import { Stages } from './stages'
import { bubblePoint, type Mixture } from '../../matter/equilibrium'

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
  const on = new Stages(mixture, { stages, reflux })
  const { K, count, temperatures, x } = on
  return (pot) => {
    if (on.pots === 0) {
      let liquid: readonly number[] = pot
      for (let stage = 0; stage <= stages; stage++) {
        x.set(liquid, stage * count)
        const point = bubblePoint(mixture, liquid)
        temperatures[stage] = point.atC
        liquid = point.other
      }
      for (let stage = 0; stage <= stages; stage++) on.boil(stage, true)
    }
    x.set(pot)
    if (stages > 0) on.goOn()
    on.pots++
    on.boil(0, true)
    for (let turn = 0; turn < 2000; turn++) {
      on.balance()
      let moved = 0
      for (let stage = 1; stage <= stages; stage++) moved = Math.max(moved, on.boil(stage, turn === 0))
      if (moved < toleranceK) break
    }
    const top = on.fractions(stages)
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
