/** What can be judged of a group's work. */
export const criteria = {
  record: 'complete record',
  arithmetic: 'own arithmetic',
  yield: 'yield against the class',
  purity: 'purity',
  safety: 'safety',
  report: 'report',
} as const

export type Criterion = keyof typeof criteria

export const criterionKeys = Object.keys(criteria) as Criterion[]

/** From so much of the class's median on, a yield or recovery gets this part of its points. */
export interface Band {
  /** Of the median, 0 to 2. */
  from: number
  /** Of the points, 0 to 1. */
  part: number
}

/** What the owner of a course judges in a session: the points of each criterion, none where it is not judged, and the bands of the yield. */
export interface Scheme {
  points: Record<Criterion, number>
  bands: Band[]
}

/** A fair beginning: most of it for the record and the chemistry, none of it for luck. */
export const usualScheme: Scheme = {
  points: { record: 4, arithmetic: 4, yield: 3, purity: 4, safety: 2, report: 3 },
  bands: [
    { from: 0.85, part: 1 },
    { from: 0.65, part: 0.75 },
    { from: 0.4, part: 0.5 },
    { from: 0.1, part: 0.25 },
  ],
}

/** What is wrong with a scheme, in words; null where nothing is. */
export function problemWithScheme({ points, bands }: Scheme): string | null {
  const all = criterionKeys.map((key) => points[key])
  if (all.some((each) => !Number.isFinite(each) || each < 0 || each > 100)) return 'Each criterion has between 0 and 100 points.'
  if (all.every((each) => each === 0)) return 'Something is judged: at least one criterion has points.'
  if (points.yield > 0 && bands.length === 0) return 'A yield that is judged has at least one band.'
  for (const [index, { from, part }] of bands.entries()) {
    if (!(from >= 0 && from <= 2) || !(part >= 0 && part <= 1))
      return 'A band begins between 0 and 2 of the median and gives between 0 and 1 of the points.'
    const above = bands[index - 1]
    if (above && (from >= above.from || part > above.part))
      return 'Bands go from the highest down, and a lower one gives no more.'
  }
  return null
}

/** The part of its points that a result gets, by what it is of the median. */
export const partOf = (bands: readonly Band[], ofMedian: number): number =>
  bands.find(({ from }) => ofMedian >= from - 1e-9)?.part ?? 0
