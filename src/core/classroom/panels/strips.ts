import { median } from '../../quantity/median'
import type { Judgement } from '../../result/judge'
import { resultName, type Outcome } from '../../result/outcome'
import { robustOutliers } from '../classFigures'
import type { Folded } from '../foldClass'

/** One kind of result side by side for the class: a point or a range for each bench, with what it is compared with. */
export interface Strip {
  key: string
  title: string
  unit: string
  literature: { low: number; high: number } | null
  median: number | null
  points: StripPoint[]
}

export interface StripPoint {
  bench: number
  low: number
  /** The upper end of a range; null for a point. */
  high: number | null
  text: string
  level: Judgement['level']
  words: string
  outlier: boolean
  excluded: boolean
}

/** Every result with a figure that the wanted columns do not show, as strips in the order in which results are read. */
export function stripsOf(folded: readonly Folded[], shown: (outcome: Outcome) => boolean): Strip[] {
  const keys = new Map<string, Outcome>()
  for (const { results } of folded)
    for (const outcome of results.outcomes)
      if (outcome.figure && !shown(outcome) && !keys.has(outcome.key)) keys.set(outcome.key, outcome)
  return [...keys.values()].map((first) => {
    const points = folded.flatMap(({ run, state, results }): StripPoint[] => {
      const outcome = results.outcomes.find(({ key }) => key === first.key)
      if (!outcome?.figure) return []
      return [
        {
          bench: run.bench,
          low: outcome.figure.value,
          high: outcome.to,
          text: outcome.text,
          level: outcome.judgement?.level ?? 'open',
          words: outcome.judgement?.words ?? '',
          outlier: false,
          excluded: state.excluded !== null,
        },
      ]
    })
    const counted = points.filter(({ excluded }) => !excluded)
    const middle = ({ low, high }: StripPoint) => (low + (high ?? low)) / 2
    robustOutliers(counted.map(middle)).forEach((outlier, index) => (counted[index]!.outlier = outlier))
    return {
      key: first.key,
      title: `${resultName(first.quantity, first.of)}${first.from ? `, of ${first.from}` : ''}`,
      unit: first.unit,
      literature: first.literature,
      median: counted.length > 0 ? median(counted.map(middle)) : null,
      points,
    }
  })
}
