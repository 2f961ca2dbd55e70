import { repeatable } from '../quantity/repeatable'
import { lowerBound, type Bound } from './bound'
import { bestTimetable } from './search'
import { comesTo, settle, workOf, type Free, type Open, type Settled, type Told } from './settle'
import { simulate, type Simulated } from './simulate'

export interface OutlookAsked extends Open {
  /** What each group is told now. */
  told: readonly Told[]
  closesMin: number
  together: number
  /** Steps about whose end by the close and whose begin it is asked. */
  steps: readonly string[]
  classes: number
}

/** What one more of a station would bring. */
export interface OneMore {
  station: number
  allDone: number
  lastMin: number
}

/** What telling the groups otherwise would bring: with the usual minutes, and over many classes. */
export interface Offer extends Settled {
  free: Free
  allDone: number
}

export interface Outlook {
  simulated: Simulated
  /** As told, with the usual minutes. */
  usual: Settled
  bound: Bound
  /** When the best timetable that was found ends, whoever goes first. */
  bestMin: number
  more: OneMore[]
  offers: Offer[]
}

/** A change that is not worth an offer, minutes, and as a share of the classes. */
const worthMin = 2
const worthShare = 0.03
/** Classes that are played for a comparison, where the whole number is played for what stands. */
const fewerClasses = 300
const seed = 20_261_126

/**
 * Will it fit: the class as it is told, what holds it up, and what else could be told. Chance is the same each time, so that the same question has the same answer, and comparisons differ by what is compared.
 */
export function outlook(asked: OutlookAsked, progress?: (share: number) => void): Outlook {
  const { stations, orders, others, kinds, told, closesMin, together, steps, classes } = asked
  const open: Open = { stations, orders, ...(others ? { others } : {}), ...(kinds ? { kinds } : {}) }
  const work = workOf(open, told)
  const played = (told: readonly Told[], count: number, counts?: Int32Array) =>
    simulate(workOf(open, told), {
      classes: count,
      closesMin,
      together,
      steps,
      random: repeatable(seed),
      ...(counts ? { counts } : {}),
    })
  const simulated = simulate(work, { classes, closesMin, together, steps, random: repeatable(seed) }, (share) =>
    progress?.(0.5 * share),
  )
  const usual = comesTo(open, told)
  const fewer = Math.min(classes, fewerClasses)
  const plain = played(told, fewer)
  const more = stations.flatMap(({ count }, station): OneMore[] => {
    if (simulated.stations[station]!.queuedMin < 1) return []
    const counts = Int32Array.from(stations, (each, at) => each.count + (at === station ? 1 : 0))
    const { allDone, last } = played(told, fewer, counts)
    return count < told.length && (last.usual < plain.last.usual - worthMin || allDone > plain.allDone + worthShare)
      ? [{ station, allDone, lastMin: last.usual }]
      : []
  })
  progress?.(0.7)
  const asWritten = comesTo(
    open,
    Array.from({ length: told.length }, () => ({ startMin: 0, order: 0 })),
  )
  const frees: Free[] = orders.length > 1 ? ['starts', 'orders', 'both'] : ['starts']
  const offers = frees.flatMap((free, index): Offer[] => {
    const found = settle({ ...open, groups: told.length }, free, repeatable(seed + index))
    progress?.(0.7 + (0.25 * (index + 1)) / frees.length)
    if (asWritten.lastMin - found.lastMin < worthMin && asWritten.queuedMin - found.queuedMin < worthMin * told.length) return []
    return [{ ...found, free, allDone: played(found.told, fewer).allDone }]
  })
  const best = bestTimetable(
    workOf(
      open,
      told.map(({ order }) => ({ startMin: 0, order })),
    ),
    repeatable(seed),
  )
  progress?.(1)
  return {
    simulated,
    usual,
    bound: lowerBound(
      workOf(
        open,
        told.map(({ order }) => ({ startMin: 0, order })),
      ),
    ),
    bestMin: best.minutes,
    more: more.toSorted((a, b) => b.allDone - a.allDone || a.lastMin - b.lastMin),
    offers,
  }
}
