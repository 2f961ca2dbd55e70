import { criteria, criterionKeys, type Scheme } from '../marking/scheme'
import { totalOf, type Mark } from '../marking/mark'
import { spreadsheetCsv } from './spreadsheetCsv'

/** The marks of a session for a college's own system: a row for each student, points of each criterion, in all, of how many, and the comment. */
export function marksCsv(
  runs: readonly { bench: number; members: readonly string[]; mark: Mark | null }[],
  scheme: Scheme,
): string {
  const judged = criterionKeys.filter((key) => scheme.points[key] > 0)
  const rows = runs.flatMap(({ bench, members, mark }) => {
    const { points, of, complete } = totalOf(mark, scheme)
    return (members.length > 0 ? members : ['']).map((name) => [
      String(bench),
      name,
      ...judged.map((key) => String(mark?.points[key] ?? '')),
      complete ? String(points) : '',
      String(of),
      complete ? 'decided' : 'open',
      mark?.comment ?? '',
    ])
  })
  return spreadsheetCsv(
    [
      'bench',
      'student',
      ...judged.map((key) => `${criteria[key]} (points)`),
      'in all (points)',
      'of (points)',
      'state',
      'comment',
    ],
    rows,
  )
}
