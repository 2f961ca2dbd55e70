import { spreadsheetCsv } from '@/core/format/spreadsheetCsv'
import { usedBetween } from '@/server/bottleMoves'
import { csvResponse } from '@/server/csvResponse'
import { yearOfCourse } from '@/server/day'
import { courseOf, route } from '@/server/route'

/** What a course used in a calendar year, by what was in the bottles: what went out and did not come back. */
export const GET = route({ need: 'session.read', subject: courseOf<{ id: string }> }, async ({ params, request }) => {
  const asked = request.nextUrl.searchParams.get('year') ?? ''
  const { year, from, to } = await yearOfCourse(params.id, /^\d{4}$/.test(asked) ? Number(asked) : null)
  const rows = await usedBetween(params.id, from, to)
  const text = spreadsheetCsv(
    ['substance and strength', 'used', 'unit', 'movements'],
    rows.map(({ what, used, unit, moves }) => [what, Number(Number(used).toPrecision(12)), unit, Number(moves)]),
  )
  return csvResponse(`used ${year}`, text)
})
