import { compiled } from './compiled'
import { Player } from './play'
import type { Minutes, Work } from './work'

/** What some thousand classes of one plan came to, each with minutes of its own. */
export interface Simulated {
  classes: number
  /** The part of them in which every group had ended when the room closed, 0 to 1. */
  allDone: number
  /** The usual number of groups that had ended by then: the median of the classes. */
  doneGroups: number
  /** When the last group ended, minutes: one class in ten before, the usual, one in ten after. */
  last: Spread
  groups: { end: Spread; doneByClose: number }[]
  stations: {
    /** The part of the time up to the close in which all of it was in use, 0 to 1. */
    busy: number
    /** How many stood in its queue on average, minute by minute in pieces of `pieceMin`. */
    queue: number[]
    /** Minutes that all groups together stood in it, on average. */
    queuedMin: number
  }[]
  /** For each step that was asked for: the part of the classes in which all groups had ended it by the close, and how long before its end the group that needs longest begins it (in nine classes of ten no group needs longer). */
  steps: Record<string, { allPast: number; toEndMin: number }>
}

export interface Spread {
  low: number
  usual: number
  high: number
}

export const pieceMin = 5

/** z of the 95th percentile of a normal distribution. */
export const z95 = 1.6449

/**
 * Plays a class so many times. The minutes of each task are drawn around what is usual, in two halves of a log-normal distribution of which one in twenty lies below `least` and one in twenty above `most`.
 * `together` is how far a group that is slow in one task is slow in all, as the share of its variance, 0 to 1; waiting that nobody can hasten is drawn for itself.
 */
export function simulate(
  work: Work,
  asked: {
    classes: number
    closesMin: number
    together: number
    random: () => number
    steps?: readonly string[]
    counts?: Int32Array
  },
  progress?: (share: number) => void,
): Simulated {
  const { classes, closesMin, together, steps = [] } = asked
  const flat = compiled(work)
  const player = new Player(flat, asked.counts)
  const normal = normals(asked.random)
  const [hands, wait] = [draws(flat.hands), draws(flat.wait)]
  const [own, shared] = [Math.sqrt(1 - together), Math.sqrt(together)]
  const lasts = new Float64Array(classes)
  const done = new Float64Array(classes)
  const ends = Array.from({ length: flat.groups }, () => new Float64Array(classes))
  const pieces = Math.ceil(closesMin / pieceMin)
  const queue = work.stations.map(() => new Float64Array(pieces))
  const used = work.stations.map(() => 0)
  const queued = work.stations.map(() => 0)
  const wanted = steps.map((step) => ({ step, past: 0, toEnd: [] as number[], at: tasksOfStep(work, step) }))

  for (let each = 0; each < classes; each++) {
    for (let group = 0; group < flat.groups; group++) {
      const slow = shared * normal()
      for (let task = flat.from[group]!; task < flat.from[group + 1]!; task++) {
        hands.drawn[task] = draw(hands, task, slow + own * normal())
        if (wait.usual[task]! > 0) wait.drawn[task] = draw(wait, task, normal())
      }
    }
    const { ready, begin, end, lastMin } = player.play(hands.drawn, wait.drawn)
    lasts[each] = lastMin
    for (let group = 0; group < flat.groups; group++) {
      let last = 0
      for (let task = flat.from[group]!; task < flat.from[group + 1]!; task++) {
        if (end[task]! > last) last = end[task]!
        const station = flat.station[task]!
        if (station < 0) continue
        used[station]! += Math.max(0, Math.min(closesMin, end[task]!) - Math.min(closesMin, begin[task]!))
        if (begin[task]! > ready[task]!) {
          queued[station]! += begin[task]! - ready[task]!
          spreadOver(queue[station]!, ready[task]!, begin[task]!)
        }
      }
      ends[group]![each] = last
      if (last <= closesMin) done[each]!++
    }
    for (const one of wanted) {
      if (one.at.every((task) => end[task]! <= closesMin)) one.past++
      // The slowest of the class: whoever begins by then, all of them end in time.
      if (one.at.length > 0) one.toEnd.push(Math.max(...one.at.map((task, group) => ends[group]![each]! - begin[task]!)))
    }
    if (progress && each % 50 === 49) progress((each + 1) / classes)
  }
  return {
    classes,
    allDone: share(lasts, closesMin),
    doneGroups: quantile(done, 0.5),
    last: spread(lasts),
    groups: ends.map((each) => ({ doneByClose: share(each, closesMin), end: spread(each) })),
    stations: work.stations.map((_station, index) => ({
      busy: used[index]! / (classes * closesMin * flat.counts[index]!),
      queue: Array.from(queue[index]!, (minutes) => minutes / (classes * pieceMin)),
      queuedMin: queued[index]! / classes,
    })),
    steps: Object.fromEntries(
      wanted.map(({ step, past, toEnd }) => [
        step,
        { allPast: past / classes, toEndMin: quantile(Float64Array.from(toEnd), 0.9) },
      ]),
    ),
  }
}

/** The place of a step's first task in each group, in the flat order. */
function tasksOfStep({ groups }: Work, step: string): number[] {
  let from = 0
  return groups.flatMap(({ tasks }) => {
    const at = tasks.findIndex((task) => task.step === step)
    const found = at < 0 ? [] : [from + at]
    from += tasks.length
    return found
  })
}

interface Draws {
  usual: Float64Array
  /** Standard deviations of the logarithm, below and above what is usual. */
  below: Float64Array
  above: Float64Array
  drawn: Float64Array
}

/** What is never less than a twentieth of what is usual, so that its logarithm is finite. */
const leastShare = 0.05

function draws(minutes: readonly Minutes[]): Draws {
  const usual = Float64Array.from(minutes, (each) => each.usual)
  return {
    usual,
    below: Float64Array.from(minutes, ({ least, usual: mid }) =>
      mid > 0 ? Math.log(mid / Math.max(least, mid * leastShare)) / z95 : 0,
    ),
    above: Float64Array.from(minutes, ({ most, usual: mid }) => (mid > 0 ? Math.log(Math.max(most, mid) / mid) / z95 : 0)),
    drawn: usual.slice(),
  }
}

const draw = ({ usual, below, above }: Draws, task: number, z: number): number =>
  usual[task]! * Math.exp(z * (z < 0 ? below[task]! : above[task]!))

/** Normal deviates by Marsaglia's polar method (G. Marsaglia, T. A. Bray, SIAM Review 6 (1964) 260). */
function normals(random: () => number): () => number {
  let kept: number | null = null
  return () => {
    if (kept !== null) {
      const one = kept
      kept = null
      return one
    }
    let [u, v, s] = [0, 0, 0]
    do {
      u = 2 * random() - 1
      v = 2 * random() - 1
      s = u * u + v * v
    } while (s >= 1 || s === 0)
    const factor = Math.sqrt((-2 * Math.log(s)) / s)
    kept = v * factor
    return u * factor
  }
}

/** Adds the minutes between two moments to the pieces that they fall into; what is after the close counts in none. */
function spreadOver(pieces: Float64Array, from: number, to: number): void {
  for (let piece = Math.floor(from / pieceMin); piece < pieces.length && piece * pieceMin < to; piece++)
    pieces[piece]! += Math.min(to, (piece + 1) * pieceMin) - Math.max(from, piece * pieceMin)
}

const share = (values: Float64Array, most: number) =>
  values.reduce((many, each) => many + (each <= most ? 1 : 0), 0) / values.length

/** The value below which that part of them lies, the nearest one below. */
function quantile(values: Float64Array, part: number): number {
  if (values.length === 0) return 0
  const sorted = values.slice().sort()
  return sorted[Math.min(sorted.length - 1, Math.floor(part * sorted.length))]!
}

const spread = (values: Float64Array): Spread => ({
  low: quantile(values, 0.1),
  usual: quantile(values, 0.5),
  high: quantile(values, 0.9),
})
