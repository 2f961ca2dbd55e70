/** One reading at the head: what stood in the receiver, mL, and what the thermometer showed, °C. At 0 mL the first drop fell. */
export interface HeadReading {
  volumeML: number
  headC: number
}

/** What the readings of a distillation say so far. */
export interface HeadsRead {
  /** Over in all, mL. */
  overML: number
  /** The boiling range: the head at the first and the last reading, °C. */
  firstC: number
  lastC: number
  /** Came over while the head stood within the window, mL. */
  insideML: number
}

/**
 * Boiling range and what came within a window, from readings at the head. Between two readings the head is taken to have changed evenly with the volume, as
 * a line drawn through the points says. Null without a reading.
 */
export function readHeads(readings: readonly HeadReading[], lowC: number, highC: number): HeadsRead | null {
  const sorted = [...readings].sort((a, b) => a.volumeML - b.volumeML)
  const [first, last] = [sorted[0], sorted.at(-1)]
  if (!first || !last) return null
  const insideML = sorted.slice(1).reduce((sum, to, index) => {
    const from = sorted[index]!
    return sum + (to.volumeML - from.volumeML) * shareWithin([from.headC, to.headC], { lowC, highC })
  }, 0)
  return { overML: last.volumeML, firstC: first.headC, lastC: last.headC, insideML }
}

/** The share of an even way from one temperature to another that lies within a window. */
function shareWithin(wayC: readonly [number, number], { lowC, highC }: { lowC: number; highC: number }): number {
  const [least, most] = [Math.min(...wayC), Math.max(...wayC)]
  if (most === least) return least >= lowC && least <= highC ? 1 : 0
  return Math.max(0, Math.min(most, highC) - Math.max(least, lowC)) / (most - least)
}

/** The readings of one receiver after another as of one: each begins where the one before it ended. */
export function inOneRow(receivers: readonly (readonly HeadReading[])[]): HeadReading[] {
  let before = 0
  return receivers.flatMap((readings) => {
    const from = before
    before += Math.max(0, ...readings.map(({ volumeML }) => volumeML))
    return readings.map(({ volumeML, headC }) => ({ volumeML: from + volumeML, headC }))
  })
}
