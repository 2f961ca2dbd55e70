import { areaPercent } from './composition'

/** What was said of a peak: who it is, how strongly the detector shows it, and whether it is left out. */
export interface Named {
  name: string
  response: number
  left: boolean
}

/** A part of what is said of a trace. */
const saidOf = ['peaks', 'typed', 'shifts'] as const

/** What was said of a trace: of its peaks in their order, or of a printed report that was typed in its place; shifts of an NMR spectrum. */
export interface TraceReading {
  peaks?: Named[]
  /** A table that stood on a printed report: retention time in min and area, in its own unit. */
  typed?: { at: number; area: number }[]
  shifts?: { ppm: string; protons: string; form: string; what: string }[]
  /** Who said which part: a person by name, or the group. */
  by?: Partial<Record<(typeof saidOf)[number], string>>
}

/** What is said anew of a trace: a part that is null is taken back, one that is missing stays. */
export type SaidAnew = { [part in (typeof saidOf)[number]]?: TraceReading[part] | null }

/** What was said of a trace with what is said anew, and by whom. */
export function withSaid(reading: TraceReading, said: SaidAnew, by: string): TraceReading {
  const { peaks, typed, shifts, by: before, ...rest } = { ...reading, ...said }
  const whose = { ...before }
  for (const part of saidOf) {
    if (said[part]) whose[part] = by
    if (said[part] === null) delete whose[part]
  }
  return {
    ...rest,
    ...(peaks ? { peaks } : {}),
    ...(typed ? { typed } : {}),
    ...(shifts ? { shifts } : {}),
    by: whose,
  }
}

export const mostPeaks = 60

/** Peaks with their areas as they count: what is left out has no part; what nobody named counts as unnamed. */
export function composition(
  peaks: readonly { at: number; area: number }[],
  named: readonly Named[],
): { at: number; area: number; name: string; response: number; left: boolean; percent: number | null }[] {
  const all = peaks.map((peak, index) => ({ ...peak, ...(named[index] ?? { name: '', response: 1, left: false }) }))
  const parts = areaPercent(all)
  return all.map((peak, index) => ({ ...peak, percent: parts[index]! }))
}

/** A peak table as it is pasted from a printed report: two numbers in each line, a time and an area; other columns may stand around them. */
export function readPeakTable(text: string): { at: number; area: number }[] | string {
  const rows = text
    .split('\n')
    .map((line) => line.match(/-?\d+(?:[.,]\d+)?(?:e[+-]?\d+)?/gi) ?? [])
    .filter((numbers) => numbers.length > 0)
    .map((numbers) => numbers.map((each) => Number(each.replace(',', '.'))))
  if (rows.length === 0) return 'No numbers: each line has a time and an area, such as 4.21 1523.'
  const short = rows.findIndex((numbers) => numbers.length < 2)
  if (short >= 0) return `Line ${short + 1} has one number: a time and an area are wanted.`
  if (rows.length > mostPeaks) return `At most ${mostPeaks} peaks are taken.`
  const peaks = rows.map((numbers) => ({ at: numbers.at(-2)!, area: numbers.at(-1)! }))
  return peaks.some(({ area }) => !(area >= 0)) ? 'An area is not negative.' : peaks
}
