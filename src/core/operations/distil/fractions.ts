import type { BatchCurve, BatchPoint } from './batch'

/** What is collected between two points of a curve. */
export interface Fraction {
  name: string
  fromML: number
  toML: number
  fromC: number
  toC: number
  mmol: number[]
}

const between = (name: string, from: BatchPoint, to: BatchPoint): Fraction => ({
  name,
  fromML: from.volumeML,
  toML: to.volumeML,
  fromC: from.headC,
  toC: to.headC,
  mmol: to.distilled.map((n, i) => n - from.distilled[i]!),
})

/** Forerun, main and after-run by the head's temperature: the main fraction is collected from the first drop at or above `lowC` to the last at or below `highC`. */
export function byWindow({ points }: BatchCurve, lowC: number, highC: number): Fraction[] {
  const first = points.findIndex(({ headC }) => headC >= lowC)
  const begin = first < 0 ? points.length - 1 : first
  const after = points.findIndex(({ headC }, index) => index > begin && headC > highC)
  const end = first < 0 ? begin : after < 0 ? points.length - 1 : points[begin]!.headC > highC ? begin : after
  return [
    between('forerun', points[0]!, points[begin]!),
    between('main', points[begin]!, points[end]!),
    between('after-run', points[end]!, points.at(-1)!),
  ]
}

export const purityOf = ({ mmol }: Pick<Fraction, 'mmol'>, component: number): number => {
  const all = mmol.reduce((a, b) => a + b, 0)
  return all > 0 ? mmol[component]! / all : 0
}

/** Purities, as mole fractions, for which a fraction is usually asked. */
export const usualPurities: readonly number[] = [0.8, 0.85, 0.9, 0.95, 0.98, 0.99]

/** Points at which a cut is looked for; more would not be seen on a graduated receiver. */
const cuts = 240

/**
 * For wanted purities of one component, the cut that brings most of it: where it begins and ends, its purity, and the recovery of what was charged. A purity that no cut reaches has none.
 * @param charged mmol of the component in the pot at the start
 */
export function recoveryAtPurity(
  curve: BatchCurve,
  component: number,
  charged: number,
  wanted: readonly number[],
): { purity: number; recovery: number; fraction: Fraction }[] {
  const every = Math.max(1, Math.floor(curve.points.length / cuts))
  const points = curve.points.filter((_, index) => index % every === 0 || index === curve.points.length - 1)
  const all = points.map(({ distilled }) => distilled.reduce((sum, mmol) => sum + mmol, 0))
  const own = points.map(({ distilled }) => distilled[component]!)
  return wanted.flatMap((purity) => {
    let best: { from: number; to: number; mmol: number } | undefined
    for (let from = 0; from < points.length - 1; from++) {
      for (let to = points.length - 1; to > from; to--) {
        const mmol = own[to]! - own[from]!
        if (best && mmol <= best.mmol) break
        if (mmol > 0 && mmol >= purity * (all[to]! - all[from]!)) best = { from, to, mmol }
      }
    }
    if (!best) return []
    const fraction = between('main', points[best.from]!, points[best.to]!)
    return [{ purity, recovery: best.mmol / charged, fraction }]
  })
}
