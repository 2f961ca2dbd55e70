/** How `mozle bench` measures, and how it says what it found. */

export const rounds = 7

export function median(values: number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  return sorted[Math.floor(sorted.length / 2)]!
}

export function percentile(values: number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b)
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]!
}

export function report(what: string, value: number, unit: string, size: string, runs: string): void {
  console.log(`${what.padEnd(46)} ${value.toFixed(value < 10 ? 3 : 1).padStart(9)} ${unit.padEnd(3)} ${size}; ${runs}`)
}

/** Median over several rounds of the mean time of one call in ms, after a warm-up. */
export function timed(work: () => void, calls: number): number {
  for (let warm = 0; warm < calls; warm++) work()
  return median(
    Array.from({ length: rounds }, () => {
      const start = performance.now()
      for (let call = 0; call < calls; call++) work()
      return (performance.now() - start) / calls
    }),
  )
}
