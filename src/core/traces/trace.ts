/** What an instrument drew: a spectrum or a chromatogram. */
export const traceKinds = ['infrared', 'NMR', 'chromatogram', 'mass spectrum'] as const

export type TraceKind = (typeof traceKinds)[number]

export interface Trace {
  kind: TraceKind
  /** What the file calls it; empty where it says nothing. */
  title: string
  xUnit: string
  yUnit: string
  /** Ascending in x, both of one length. */
  x: number[]
  y: number[]
  /** True where the file gives peaks and no curve. */
  peaksOnly: boolean
  /** True where the file says of itself that it was simulated. */
  simulated: boolean
}

/** The longest trace that is taken. */
export const mostPoints = 200_000

/** The span of some points; [0, 1] for none. */
export function spanOf(values: readonly number[]): [number, number] {
  let [low, high] = [Infinity, -Infinity]
  for (const value of values) {
    if (value < low) low = value
    if (value > high) high = value
  }
  return low <= high ? [low, high] : [0, 1]
}
