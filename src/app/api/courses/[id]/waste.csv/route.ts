import { spreadsheetCsv } from '@/core/format/spreadsheetCsv'
import { csvResponse } from '@/server/csvResponse'
import { yearOfCourse } from '@/server/day'
import { courseOf, route } from '@/server/route'
import { wasteOfYear } from '@/server/wasteOfYear'

/** What came back as waste in a calendar year, session by session, as it was written down. */
export const GET = route({ need: 'session.read', subject: courseOf<{ id: string }> }, async ({ params, request }) => {
  const asked = request.nextUrl.searchParams.get('year') ?? ''
  const { year, ...span } = await yearOfCourse(params.id, /^\d{4}$/.test(asked) ? Number(asked) : null)
  const rows = await wasteOfYear(params.id, span)
  return csvResponse(
    `waste ${year}`,
    spreadsheetCsv(
      ['day', 'session', 'room', 'container', 'litres', 'note', 'by'],
      rows.map(({ day, title, room, stream, litres, note, by }) => [day, title, room, stream, litres, note, by]),
    ),
  )
})
