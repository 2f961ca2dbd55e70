import type { Minutes, Work } from './work'

/** A class laid out flat, so that it can be played some thousand times a second. Tasks of all groups stand one after the other. */
export interface Compiled {
  groups: number
  counts: Int32Array
  /** Where the tasks of each group begin; one more at the end. */
  from: Int32Array
  /** Index of the station, −1 for none. */
  station: Int32Array
  beside: Uint8Array
  hands: Minutes[]
  wait: Minutes[]
  startMin: Float64Array
}

export function compiled({ stations, groups }: Work): Compiled {
  const tasks = groups.flatMap((group) => group.tasks)
  const from = new Int32Array(groups.length + 1)
  groups.forEach((group, index) => (from[index + 1] = from[index]! + group.tasks.length))
  return {
    groups: groups.length,
    counts: Int32Array.from(stations, ({ count }) => count),
    from,
    station: Int32Array.from(tasks, ({ station }) => station ?? -1),
    beside: Uint8Array.from(tasks, ({ beside }) => (beside ? 1 : 0)),
    hands: tasks.map(({ hands }) => hands),
    wait: tasks.map(({ wait }) => wait),
    startMin: Float64Array.from(groups, ({ startMin }) => startMin),
  }
}

/** The usual minutes of every task. */
export const usualMinutes = (minutes: readonly Minutes[]): Float64Array => Float64Array.from(minutes, ({ usual }) => usual)
