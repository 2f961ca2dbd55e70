import { thisMoment } from '@/server/clock'
import { spreadsheetCsv } from '@/core/format/spreadsheetCsv'
import { csvResponse } from '@/server/csvResponse'
import { courseOf, route } from '@/server/route'
import { wasteOfYear } from '@/server/wasteOfYear'

/** What came back as waste in a calendar year, session by session, as it was written down. */
export const GET = route({ need: 'session.read', subject: courseOf<{ id: string }> }, async ({ params, request }) => {
  const asked = request.nextUrl.searchParams.get('year') ?? ''
  const year = /^\d{4}$/.test(asked) ? Number(asked) : thisMoment().getFullYear()
  const rows = await wasteOfYear(params.id, year)
  return csvResponse(
    `waste ${year}`,
    spreadsheetCsv(
      ['day', 'session', 'room', 'container', 'litres', 'note', 'by'],
      rows.map(({ day, title, room, stream, litres, note, by }) => [day, title, room, stream, litres, note, by]),
    ),
  )
})
