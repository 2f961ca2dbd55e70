import { foldClass } from '@/core/classroom/foldClass'
import { figuresCsv } from '@/core/format/figuresCsv'
import { csvResponse } from '@/server/csvResponse'
import { route } from '@/server/route'
import { subjectOfSession, viewSession } from '@/server/sessions'

/** Every figure of a session, one unit a column. */
export const GET = route(
  { need: 'results.read', subject: ({ id }: { id: string }) => subjectOfSession(id), deed: 'exported results' },
  async ({ params }) => {
    const view = await viewSession(params.id, false)
    return csvResponse(`figures ${view.title} ${view.section}`, figuresCsv(foldClass(view.plan, view.runs)))
  },
)
