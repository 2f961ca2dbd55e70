/** A round scale about some values: its ends, up to seven ticks, and the decimals that these need. */
export function ticksOf(least: number, most: number): { low: number; high: number; ticks: number[]; decimals: number } {
  const tiny = 1e-6 * Math.max(1, Math.abs(most))
  // Values that are all one get a scale as wide as a fiftieth of them.
  const span = most - least > tiny ? most - least : Math.abs(most) > 1e-6 ? Math.abs(most) * 0.02 : 1
  const rough = (span * 1.2) / 6
  const power = 10 ** Math.floor(Math.log10(rough))
  const step = [1, 2, 5, 10].map((factor) => factor * power).find((each) => each >= rough)!
  const [low, high] = [Math.floor((least - span * 0.06) / step) * step, Math.ceil((most + span * 0.06) / step) * step]
  const decimals = Math.max(0, -Math.floor(Math.log10(step) + 1e-9))
  const ticks = Array.from({ length: Math.round((high - low) / step) + 1 }, (_, index) =>
    Number((low + index * step).toFixed(decimals)),
  )
  return { low: ticks[0]!, high: ticks.at(-1)!, ticks, decimals }
}
