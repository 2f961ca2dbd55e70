import { median } from '../quantity/median'
import { baselineOf } from './baseline'
import { noiseOf, normal } from './noise'
import type { Trace } from './trace'

/** A peak of a chromatogram over its baseline. */
export interface Peak {
  /** Where it is highest, in the unit of x. */
  at: number
  from: number
  to: number
  height: number
  /** y times x, over the baseline. */
  area: number
  /** Its part of all peaks, in per cent. */
  percent: number
  /** True where it overlaps a neighbour and was parted from it at the valley. */
  shared: boolean
}

export interface Integration {
  peaks: Peak[]
  baseline: Float64Array
  /** Standard deviation of the noise, in the unit of y. */
  noise: number
}

/** A peak stands this many standard deviations out of the noise: three would be detection and ten quantification (IUPAC), and a trace of 20,000 points strays by five of its own accord. */
const aboveNoise = 7
/** A valley between two peaks is one where it falls by so many standard deviations. */
const valley = 4
/** A peak narrower than so many points is a spike. */
const leastPoints = 3
/** No peak is wider than this part of the trace. */
const widest = 0.06

/** Smoothed by a running mean of an odd number of points; the ends by as many as there are. */
function smoothed(y: ArrayLike<number>, half: number): Float64Array {
  const out = new Float64Array(y.length)
  let sum = 0
  let [from, to] = [0, -1]
  for (let i = 0; i < y.length; i++) {
    while (to < Math.min(y.length - 1, i + half)) sum += y[++to]!
    while (from < i - half) sum -= y[from++]!
    out[i] = sum / (to - from + 1)
  }
  return out
}

/**
 * Picks the peaks of a chromatogram and integrates them over a baseline that follows the drift: areas by trapezoids, peaks that overlap parted at the valley by a perpendicular.
 * @param windowX the widest half-width of a peak in the unit of x; a thirtieth of the trace where nothing is said
 */
export function integrate({ x, y }: Pick<Trace, 'x' | 'y'>, windowX?: number): Integration {
  const count = x.length
  if (count < 5) return { peaks: [], baseline: Float64Array.from(y), noise: 0 }
  const step = (x[count - 1]! - x[0]!) / (count - 1)
  const window = windowX === undefined ? count * widest : Math.max(leastPoints, windowX / step)
  const noise = noiseOf(y)
  const half = Math.max(1, Math.min(12, Math.round(count / 1500)))
  const smooth = smoothed(y, half)
  const baseline = baselineOf(smooth, window)
  const over = new Float64Array(count)
  for (let i = 0; i < count; i++) over[i] = smooth[i]! - baseline[i]!
  // Clipping a noisy line settles under its middle: what most of the trace stands over it is noise, and no peak.
  const under = middleOf(over)
  for (let i = 0; i < count; i++) {
    baseline[i]! += under
    over[i]! -= under
  }
  // The baseline wobbles with the noise that it was clipped from: how far the quiet parts stray from it says both.
  const quiet = Math.max(noise / Math.sqrt(2 * half + 1), strayOf(over))
  const tops = topsOf(over, Math.max(aboveNoise * quiet, 1e-12), Math.max(valley * quiet, 1e-12))
  const peaks = tops.map((top, index) => peakAt({ x, y, baseline, over }, top, tops[index - 1], tops[index + 1], quiet))
  const good = peaks.filter(({ points }) => points >= leastPoints && points > 0)
  const all = good.reduce((sum, { area }) => sum + area, 0)
  return {
    peaks: good.map(({ points: _points, ...peak }) => ({ ...peak, percent: all > 0 ? (100 * peak.area) / all : 0 })),
    baseline,
    noise,
  }
}

/** The median of a few thousand of the values. */
function middleOf(values: Float64Array): number {
  const every = Math.max(1, Math.floor(values.length / 4000))
  return median(Array.from({ length: Math.ceil(values.length / every) }, (_, index) => values[index * every]!))
}

/** The standard deviation of the quiet parts of what stands over the baseline, by the median of the distances from it. */
const strayOf = (over: Float64Array): number => normal * middleOf(over.map(Math.abs))

/** Indices of the maxima that stand out of the noise and are parted from the next by a valley. */
function topsOf(over: Float64Array, least: number, valleyAtLeast: number): number[] {
  const tops: number[] = []
  let [top, low] = [-1, Infinity]
  for (let i = 0; i < over.length; i++) {
    const value = over[i]!
    if (top < 0 || low < Infinity) {
      // Behind a top that was taken, or before the first: a rise over the lowest point begins the next.
      low = Math.min(low, value)
      if (value > least && value > low + valleyAtLeast) {
        top = i
        low = Infinity
      } else if (top < 0) continue
      else continue
    } else if (value > over[top]!) top = i
    else if (value < over[top]! - valleyAtLeast) {
      tops.push(top)
      low = value
    }
  }
  if (top >= 0 && low === Infinity) tops.push(top)
  return tops
}

function peakAt(
  { x, y, baseline, over }: { x: readonly number[]; y: readonly number[]; baseline: Float64Array; over: Float64Array },
  top: number,
  before: number | undefined,
  after: number | undefined,
  quiet: number,
) {
  const edge = (step: -1 | 1, stop: number | undefined): [number, boolean] => {
    let best = top
    for (let i = top; i >= 0 && i < over.length; i += step) {
      if (over[i]! < over[best]!) best = i
      if (over[i]! <= quiet) return [i, false]
      if (i === stop) return [best, true]
    }
    return [best, false]
  }
  const [from, sharedLeft] = edge(-1, before)
  const [to, sharedRight] = edge(1, after)
  let area = 0
  for (let i = from + 1; i <= to; i++) area += ((y[i]! - baseline[i]! + y[i - 1]! - baseline[i - 1]!) / 2) * (x[i]! - x[i - 1]!)
  return {
    at: x[top]!,
    from: x[from]!,
    to: x[to]!,
    height: over[top]!,
    area: Math.max(0, area),
    shared: sharedLeft || sharedRight,
    points: to - from,
  }
}
