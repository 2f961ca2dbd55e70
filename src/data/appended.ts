/** What this process has written into logs since it began. The framework loads modules more than once in one process, so it stands where all copies find it. */
interface Appended {
  /** Entries written, all in all. */
  entries: number
  /** Entries of each of the last minutes, by the number of the minute since 1970. */
  minutes: Map<number, number>
}

const place = Symbol.for('mozle.appended')
const here = globalThis as { [place]?: Appended }

export const appended = (): Appended => (here[place] ??= { entries: 0, minutes: new Map() })

const minuteOf = (now: number) => Math.floor(now / 60_000)
const keptMinutes = 60

export function noteAppended(entries: number, now = Date.now()): void {
  const all = appended()
  all.entries += entries
  const minute = minuteOf(now)
  all.minutes.set(minute, (all.minutes.get(minute) ?? 0) + entries)
  for (const each of all.minutes.keys()) if (each <= minute - keptMinutes) all.minutes.delete(each)
}

/** Entries written in the last whole minute, and in the busiest of the last hour. */
export function pace(now = Date.now()): { lastMinute: number; busiest: number } {
  const minute = minuteOf(now)
  const recent = [...appended().minutes].filter(([each]) => each > minute - keptMinutes)
  return {
    lastMinute: recent.find(([each]) => each === minute - 1)?.[1] ?? 0,
    busiest: Math.max(0, ...recent.map(([, count]) => count)),
  }
}
