import { compiled, usualMinutes } from './compiled'
import { Player } from './play'
import type { Station, Task, Work } from './work'

/** What each group is told: when to begin, and which of the orders to follow. */
export interface Told {
  startMin: number
  order: number
}

export interface Settled {
  told: Told[]
  /** When the last group ends with its usual minutes, and what all groups together stand in queues. */
  lastMin: number
  queuedMin: number
}

/** What is open to the groups of a class. */
export interface Open {
  stations: readonly Station[]
  /** Tasks of a group in each order that is open to it; the first is the one that the plan is written in. */
  orders: Orders
  /** The same orders with other minutes, for groups that work at another scale; and which of them each group is at: 0 for `orders`, then those of `others`. */
  others?: readonly Orders[]
  kinds?: readonly number[]
}

export type Orders = readonly (readonly Task[])[]

interface Asked extends Open {
  groups: number
}

const ordersOf = ({ orders, others = [], kinds = [] }: Open, group: number): Orders =>
  [orders, ...others][kinds[group] ?? 0] ?? orders

/** Starts are told in steps of so many minutes, and none so late that it would wait for an hour. */
const startsMin = 5
const latestStart = 60
const tries = 1_000
/** A minute of the end counts as much as so many minutes in queues of all groups together: who ends earlier at the price of waiting gains nothing. */
const queueWorth = 0.02

/** A class as its groups are told. */
export const workOf = (open: Open, told: readonly Told[]): Work => ({
  stations: open.stations,
  groups: told.map(({ startMin, order }, group) => ({ startMin, tasks: ordersOf(open, group)[order]! })),
})

/** What comes of telling the groups so, with the usual minutes, where who comes first goes first. */
export const comesTo = (open: Open, told: readonly Told[]): Settled => player(open)(told)

/** The same for many ways of telling them: each order is laid out once. */
function player({ stations, orders, others = [], kinds = [] }: Open): (told: readonly Told[]) => Settled {
  const kindsLaid = [orders, ...others].map((each) =>
    each.map((tasks) => {
      const one = compiled({ stations, groups: [{ tasks, startMin: 0 }] })
      return { ...one, usualHands: usualMinutes(one.hands), usualWait: usualMinutes(one.wait) }
    }),
  )
  return (told) => {
    const laid = told.map(({ order }, group) => kindsLaid[kinds[group] ?? 0]![order]!)
    const from = new Int32Array(told.length + 1)
    laid.forEach(({ station }, group) => (from[group + 1] = from[group]! + station.length))
    const many = from[told.length]!
    const work = {
      ...kindsLaid[0]![0]!,
      groups: told.length,
      from,
      station: new Int32Array(many),
      beside: new Uint8Array(many),
      startMin: Float64Array.from(told, ({ startMin }) => startMin),
    }
    const [hands, wait] = [new Float64Array(many), new Float64Array(many)]
    laid.forEach((one, group) => {
      const at = from[group]!
      work.station.set(one.station, at)
      work.beside.set(one.beside, at)
      hands.set(one.usualHands, at)
      wait.set(one.usualWait, at)
    })
    const { ready, begin, lastMin } = new Player(work).play(hands, wait)
    let queuedMin = 0
    for (let task = 0; task < many; task++) queuedMin += begin[task]! - ready[task]!
    return { told: [...told], lastMin, queuedMin }
  }
}

const worth = ({ lastMin, queuedMin }: Settled) => lastMin + queueWorth * queuedMin

/** What is sought: other starts, other orders, or both. */
export type Free = 'starts' | 'orders' | 'both'

/**
 * Starts and orders of the groups with which the class ends early and stands little in queues. Patterns that a room can follow are tried first (all alike, every second group, in waves), then
 * one group after the other is changed. What it finds is never worse than what is written.
 */
export function settle(asked: Asked, free: Free, random: () => number): Settled {
  const { groups, orders } = asked
  const openOrders = free === 'starts' ? 1 : orders.length
  const all = (tell: (group: number) => Told) => Array.from({ length: groups }, (_each, group) => tell(group))
  const played = player(asked)
  let best = played(all(() => ({ startMin: 0, order: 0 })))
  const offer = (told: Told[]) => {
    const next = played(told)
    if (worth(next) < worth(best) - 1e-9) best = next
  }
  for (let order = 0; order < openOrders; order++)
    for (const second of [order, 0])
      for (const { waves, gap } of free === 'orders' ? [{ waves: 1, gap: 0 }] : patterns)
        offer(all((group) => ({ startMin: (group % waves) * gap, order: group % 2 === 0 ? order : second })))
  for (let each = 0; each < tries; each++) {
    const told = best.told.slice()
    const group = Math.floor(random() * groups)
    const startMin = free === 'orders' ? told[group]!.startMin : startsMin * Math.floor(random() * (latestStart / startsMin + 1))
    told[group] =
      random() < 0.5 && free !== 'orders'
        ? { ...told[group]!, startMin }
        : { ...told[group]!, order: Math.floor(random() * openOrders) }
    offer(told)
  }
  return best
}

/** All at once; in two to four waves. */
const patterns = [{ waves: 1, gap: 0 }, ...[2, 3, 4].flatMap((waves) => [5, 10, 15, 20].map((gap) => ({ waves, gap })))]
