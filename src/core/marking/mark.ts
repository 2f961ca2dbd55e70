import { criterionKeys, type Criterion, type Scheme } from './scheme'
import type { Proposal } from './proposal'

/** What a person has decided for a run. */
export interface Mark {
  points: Partial<Record<Criterion, number>>
  comments: Partial<Record<Criterion, string>>
  comment: string
}

/** What is wrong with a mark under its scheme, in words; null where nothing is. */
export function problemWithMark({ points }: Mark, scheme: Scheme): string | null {
  for (const key of criterionKeys) {
    const given = points[key]
    if (given === undefined) continue
    const most = scheme.points[key]
    if (most === 0) return 'This criterion is not judged in this session.'
    if (!Number.isFinite(given) || given < 0 || given > most) return `Between 0 and ${most} points are given for it.`
  }
  return null
}

/** Points in all, of how many, and whether each criterion is decided. */
export function totalOf(mark: Mark | null, scheme: Scheme): { points: number; of: number; complete: boolean } {
  const judged = criterionKeys.filter((key) => scheme.points[key] > 0)
  return {
    points: judged.reduce((sum, key) => sum + (mark?.points[key] ?? 0), 0),
    of: judged.reduce((sum, key) => sum + scheme.points[key], 0),
    complete: judged.every((key) => mark?.points[key] !== undefined),
  }
}

/** A mark that takes every proposal there is and leaves what a person decides open. */
export const fromProposals = (proposals: readonly Proposal[], before: Mark | null): Mark => ({
  points: {
    ...Object.fromEntries(proposals.flatMap(({ criterion, points }) => (points === null ? [] : [[criterion, points]]))),
    ...before?.points,
  },
  comments: before?.comments ?? {},
  comment: before?.comment ?? '',
})
