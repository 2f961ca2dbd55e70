import type { Compiled } from './compiled'
import { Events } from './events'
import type { Slot } from './work'

/** The times of a class that was played, task by task in the flat order of `Compiled`. */
export interface Played {
  ready: Float64Array
  begin: Float64Array
  free: Float64Array
  end: Float64Array
  /** When the last group has ended. */
  lastMin: number
}

/**
 * Plays a class whose every task takes the minutes given: a group does its tasks in its order, a station serves as many at once as there are of it, and
 * never stands idle while somebody waits for it. Of those who wait, the one with the highest `rank` of its task goes first; without ranks, or with equal
 * ones, who came first, and then the lower bench.
 */
export class Player {
  private readonly events: Events
  private readonly queues: Int32Array[]
  private readonly waiting: Int32Array
  private readonly idle: Int32Array
  private readonly task: Int32Array
  private readonly free: Float64Array
  private readonly all: Float64Array
  private readonly touched: Uint8Array
  readonly played: Played

  constructor(
    private readonly work: Compiled,
    private readonly counts: Int32Array = work.counts,
  ) {
    const { groups, from } = work
    const many = from[groups]!
    this.events = new Events(groups + counts.reduce((sum, count) => sum + Math.min(count, groups), 0) + 1)
    this.queues = Array.from(counts, () => new Int32Array(groups))
    this.waiting = new Int32Array(counts.length)
    this.idle = new Int32Array(counts.length)
    this.task = new Int32Array(groups)
    this.free = new Float64Array(groups)
    this.all = new Float64Array(groups)
    this.touched = new Uint8Array(counts.length)
    const times = () => new Float64Array(many)
    this.played = { ready: times(), begin: times(), free: times(), end: times(), lastMin: 0 }
  }

  play(hands: Float64Array, wait: Float64Array, rank?: Float64Array): Played {
    const { work, events, played, touched } = this
    this.idle.set(this.counts)
    played.lastMin = 0
    for (let group = 0; group < work.groups; group++) {
      this.task[group] = work.from[group]!
      this.free[group] = this.all[group] = work.startMin[group]!
      this.goOn(group, hands, wait)
    }
    while (events.size > 0) {
      const now = events.next
      touched.fill(0)
      // All that happens in one moment happens before anybody is served in it.
      while (events.next === now) {
        const what = events.take()
        const station = what < 0 ? -1 - what : work.station[this.task[what]!]!
        if (what < 0) this.idle[station]!++
        else this.queues[station]![this.waiting[station]!++] = what
        touched[station] = 1
      }
      for (let station = 0; station < touched.length; station++)
        if (touched[station] === 1)
          while (this.idle[station]! > 0 && this.waiting[station]! > 0) {
            const group = this.nextOf(station, rank)
            this.idle[station]!--
            events.add(this.doIt(group, now, hands, wait), -1 - station)
            this.goOn(group, hands, wait)
          }
    }
    return played
  }

  /** Does what needs no station, one task after the other, up to the next that does. */
  private goOn(group: number, hands: Float64Array, wait: Float64Array): void {
    const { work, played } = this
    const last = work.from[group + 1]!
    for (let task = this.task[group]!; task < last; task = this.task[group]!) {
      const ready = work.beside[task] === 1 ? this.free[group]! : Math.max(this.free[group]!, this.all[group]!)
      played.ready[task] = ready
      if (work.station[task]! >= 0) return this.events.add(ready, group)
      this.doIt(group, ready, hands, wait)
    }
    const end = Math.max(this.free[group]!, this.all[group]!)
    if (end > played.lastMin) played.lastMin = end
  }

  /** One task from a moment on; returns when it ends. */
  private doIt(group: number, begin: number, hands: Float64Array, wait: Float64Array): number {
    const task = this.task[group]!++
    const free = begin + hands[task]!
    const end = free + wait[task]!
    this.played.begin[task] = begin
    this.played.free[task] = free
    this.played.end[task] = end
    this.free[group] = free
    if (end > this.all[group]!) this.all[group] = end
    return end
  }

  private nextOf(station: number, rank: Float64Array | undefined): number {
    const queue = this.queues[station]!
    const many = this.waiting[station]!
    let best = 0
    for (let at = 1; at < many; at++) if (this.before(queue[at]!, queue[best]!, rank)) best = at
    const group = queue[best]!
    queue[best] = queue[many - 1]!
    this.waiting[station] = many - 1
    return group
  }

  private before(one: number, other: number, rank: Float64Array | undefined): boolean {
    const [mine, theirs] = [this.task[one]!, this.task[other]!]
    if (rank && rank[mine] !== rank[theirs]) return rank[mine]! > rank[theirs]!
    const { ready } = this.played
    return ready[mine] === ready[theirs] ? one < other : ready[mine]! < ready[theirs]!
  }
}

/** What was played as slots, group by group. */
export function slotsOf(work: Compiled, played: Played): Slot[] {
  const slots: Slot[] = []
  for (let group = 0; group < work.groups; group++)
    for (let task = work.from[group]!; task < work.from[group + 1]!; task++)
      slots.push({
        group,
        task: task - work.from[group]!,
        ready: played.ready[task]!,
        begin: played.begin[task]!,
        free: played.free[task]!,
        end: played.end[task]!,
      })
  return slots
}
