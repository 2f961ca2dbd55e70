import { median } from '../quantity/median'
import { medianAbsoluteDeviation } from './classFigures'
import type { ClassResults } from './classResults'

/** A class of a plan, as it is compared with others of the same. */
export interface ClassFigures {
  session: string
  section: string
  /** When it was, ISO 8601. */
  at: string
  revision: number
  benches: number
  /** Fractions of every bench that counts. */
  fractions: number[]
  median: number | null
  /** Robust spread: 1.4826 times the median absolute deviation. */
  spread: number | null
  /** Middle of the clear points against the top of the literature, °C. */
  shiftC: number | null
  wantWord: number
}

/** For a normal distribution the standard deviation is this many times the median absolute deviation. */
const normal = 1.4826

/** The figures of one class. */
export function figuresOfClass(
  head: Pick<ClassFigures, 'session' | 'section' | 'at' | 'revision'>,
  { rows, medianResult, shiftC }: ClassResults,
): ClassFigures {
  const fractions = rows.flatMap(({ result, excluded }) => (result && !excluded ? [result.fraction.value] : []))
  return {
    ...head,
    benches: rows.length,
    fractions,
    median: medianResult,
    spread: fractions.length > 2 ? normal * medianAbsoluteDeviation(fractions) : null,
    shiftC,
    wantWord: rows.filter(({ judgement, outlier }) => judgement.level === 'doubt' || judgement.level === 'danger' || outlier)
      .length,
  }
}

/**
 * The trend of the medians over time by the median of all slopes between two classes (Theil 1950, Sen 1968), per year; null for fewer than three classes. One odd class does not turn it.
 */
export function trendPerYear(classes: readonly Pick<ClassFigures, 'at' | 'median'>[]): number | null {
  const year = 365.25 * 86_400_000
  const points = classes.flatMap(({ at, median: y }) => (y === null ? [] : [{ x: Date.parse(at) / year, y }]))
  const slopes = points.flatMap((a, i) => points.slice(i + 1).flatMap((b) => (b.x === a.x ? [] : [(b.y - a.y) / (b.x - a.x)])))
  return points.length < 3 || slopes.length === 0 ? null : median(slopes)
}

/** True where a class lies apart from the others by more than three of their robust spreads. */
export function liesApart(one: ClassFigures, others: readonly ClassFigures[]): boolean {
  const medians = others.flatMap(({ session, median: each }) => (session === one.session || each === null ? [] : [each]))
  if (one.median === null || medians.length < 3) return false
  const spread = Math.max(0.02, normal * medianAbsoluteDeviation(medians))
  return Math.abs(one.median - median(medians)) > 3 * spread
}
