export interface TemperatureReading {
  /** Minutes from the first. */
  atMin: number
  celsius: number
}

/**
 * Minutes that the temperature lay inside a band, and minutes from the first reading to the last. Between two readings it is taken to change evenly.
 */
export function timeInBand(
  readings: readonly TemperatureReading[],
  band: { lowC: number; highC: number },
): { insideMin: number; allMin: number } {
  const sorted = [...readings].sort((a, b) => a.atMin - b.atMin)
  let insideMin = 0
  sorted.slice(1).forEach((to, index) => {
    const from = sorted[index]!
    const minutes = to.atMin - from.atMin
    const change = to.celsius - from.celsius
    if (change === 0) {
      if (from.celsius >= band.lowC && from.celsius <= band.highC) insideMin += minutes
      return
    }
    const [enters, leaves] = [(band.lowC - from.celsius) / change, (band.highC - from.celsius) / change].sort((a, b) => a - b)
    insideMin += minutes * Math.max(0, Math.min(1, leaves!) - Math.max(0, enters!))
  })
  return { insideMin, allMin: sorted.length < 2 ? 0 : sorted.at(-1)!.atMin - sorted[0]!.atMin }
}
