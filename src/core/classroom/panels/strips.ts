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
  /** The median of each sample that was measured, in the order in which they are read. */
  medians: { sample: string; value: number | null }[]
  points: StripPoint[]
}

export interface StripPoint {
  bench: number
  /** The sample; empty where the result is of the whole. */
  sample: string
  low: number
  /** The upper end of a range; null for a point. */
  high: number | null
  text: string
  level: Judgement['level']
  words: string
  outlier: boolean
  excluded: boolean
}

/** The same kind of result of the same substance from the same thing: its samples stand in one picture, crude against pure and mixed. */
const kindOf = ({ quantity, of, from, unit }: Outcome) => JSON.stringify([quantity, of, from, unit])

/**
 * Every result with a figure that the wanted columns do not show, as strips in the order in which results are read. Where a sample of a kind is shown there already and another is not, both stand in the strip, to be compared.
 */
export function stripsOf(folded: readonly Folded[], shown: (outcome: Outcome) => boolean): Strip[] {
  const kinds = new Map<string, { first: Outcome; samples: Set<string>; wanted: boolean }>()
  for (const { results } of folded)
    for (const outcome of results.outcomes) {
      if (!outcome.figure) continue
      const kind = kinds.get(kindOf(outcome)) ?? { first: outcome, samples: new Set<string>(), wanted: false }
      kind.samples.add(outcome.sample)
      kind.wanted ||= !shown(outcome)
      kinds.set(kindOf(outcome), kind)
    }
  return [...kinds].filter(([, { wanted }]) => wanted).map(([key, { first, samples }]) => stripOf(folded, key, first, samples))
}

function stripOf(folded: readonly Folded[], key: string, first: Outcome, samples: ReadonlySet<string>): Strip {
  const points = folded.flatMap(({ run, state, results }) =>
    results.outcomes.flatMap((outcome): StripPoint[] =>
      outcome.figure && kindOf(outcome) === key
        ? [
            {
              bench: run.bench,
              sample: outcome.sample,
              low: outcome.figure.value,
              high: outcome.to,
              text: outcome.text,
              level: outcome.judgement?.level ?? 'open',
              words: outcome.judgement?.words ?? '',
              outlier: false,
              excluded: state.excluded !== null,
            },
          ]
        : [],
    ),
  )
  const middle = ({ low, high }: StripPoint) => (low + (high ?? low)) / 2
  const medians = [...samples].map((sample) => {
    const counted = points.filter((point) => point.sample === sample && !point.excluded)
    robustOutliers(counted.map(middle)).forEach((outlier, index) => (counted[index]!.outlier = outlier))
    return counted.length > 0 ? median(counted.map(middle)) : null
  })
  return {
    key,
    title: `${resultName(first.quantity, first.of)}${first.from ? `, of ${first.from}` : ''}`,
    unit: first.unit,
    literature: first.literature,
    medians: [...samples].map((sample, index) => ({ sample, value: medians[index]! })),
    points,
  }
}
