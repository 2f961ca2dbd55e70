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
export interface OneMore extends Comes {
  station: number
}

/** What a class comes to: over the same classes by chance for what stands and for what could be, so that what is taken then shows what was offered. */
export interface Comes {
  allDone: number
  /** The usual end of the last group, minutes. */
  lastMin: number
  /** Minutes in queues, all groups together. */
  queuedMin: number
}

/** What telling the groups otherwise would bring. */
export interface Offer extends Comes {
  free: Free
  told: Settled['told']
}

const comes = ({ allDone, last, stations }: Simulated): Comes => ({
  allDone,
  lastMin: last.usual,
  queuedMin: stations.reduce((sum, each) => sum + each.queuedMin, 0),
})

export interface Outlook {
  simulated: Simulated
  /** As it is told now. */
  now: Comes
  bound: Bound
  /** When the best timetable that was found ends, whoever goes first. */
  bestMin: number
  more: OneMore[]
  offers: Offer[]
}

/** A change that is not worth an offer, minutes, and as a share of the classes. */
const worthMin = 2
const worthShare = 0.03
const seed = 20_261_126

/**
 * Will it fit: the class as it is told, what holds it up, and what else could be told. Chance is the same each time, so that the same question has the same answer, and comparisons differ by what is compared.
 */
export function outlook(asked: OutlookAsked, progress?: (share: number) => void): Outlook {
  const { stations, orders, others, kinds, told, closesMin, together, steps, classes } = asked
  const open: Open = { stations, orders, ...(others ? { others } : {}), ...(kinds ? { kinds } : {}) }
  const played = (told: readonly Told[], counts?: Int32Array, progress?: (share: number) => void) =>
    simulate(
      workOf(open, told),
      {
        classes,
        closesMin,
        together,
        steps,
        random: repeatable(seed),
        ...(counts ? { counts } : {}),
      },
      progress,
    )
  const simulated = played(told, undefined, (share) => progress?.(0.4 * share))
  const now = comes(simulated)
  const more = stations.flatMap(({ count }, station): OneMore[] => {
    if (simulated.stations[station]!.queuedMin < 1) return []
    const counts = Int32Array.from(stations, (each, at) => each.count + (at === station ? 1 : 0))
    if (count >= told.length) return []
    const then = comes(played(told, counts))
    return then.lastMin < now.lastMin - worthMin || then.allDone > now.allDone + worthShare ? [{ station, ...then }] : []
  })
  progress?.(0.6)
  const asWritten = comesTo(
    open,
    Array.from({ length: told.length }, () => ({ startMin: 0, order: 0 })),
  )
  const frees: Free[] = orders.length > 1 ? ['starts', 'orders', 'both'] : ['starts']
  const offers = frees.flatMap((free, index): Offer[] => {
    const found = settle({ ...open, groups: told.length }, free, repeatable(seed + index))
    progress?.(0.6 + (0.35 * (index + 1)) / frees.length)
    if (asWritten.lastMin - found.lastMin < worthMin && asWritten.queuedMin - found.queuedMin < worthMin * told.length) return []
    const then = comes(played(found.told))
    // Only what is better by the classes that are shown.
    const better =
      then.lastMin < now.lastMin - worthMin ||
      then.queuedMin < now.queuedMin - worthMin ||
      then.allDone > now.allDone + worthShare
    return better ? [{ free, told: found.told, ...then }] : []
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
    now,
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
