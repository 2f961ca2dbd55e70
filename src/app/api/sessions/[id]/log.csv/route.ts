import { foldClass } from '@/core/classroom/foldClass'
import { logCsv } from '@/core/format/logCsv'
import { csvResponse } from '@/server/csvResponse'
import { tiesOf } from '@/server/proofOf'
import { route } from '@/server/route'
import { subjectOfSession, viewSession } from '@/server/sessions'

/** Every entry of a session. */
export const GET = route(
  { need: 'run.read', subject: ({ id }: { id: string }) => subjectOfSession(id), deed: 'exported results' },
  async ({ params }) => {
    const view = await viewSession(params.id, false)
    const tied = await tiesOf(view.runs.map(({ id }) => id))
    return csvResponse(`log ${view.title} ${view.section}`, logCsv(foldClass(view.plan, view.runs), tied))
  },
)
