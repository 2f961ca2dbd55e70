import { marksFile } from '@/server/marks'
import { route } from '@/server/route'
import { subjectOfSession } from '@/server/sessions'

/** The marks of a session for a college's own system. */
export const GET = route(
  { need: 'run.sign', subject: ({ id }: { id: string }) => subjectOfSession(id), deed: 'exported results' },
  async ({ params }) => {
    const { name, text } = await marksFile(params.id)
    return new Response(text, {
      headers: { 'content-type': 'text/csv; charset=utf-8', 'content-disposition': `attachment; filename="${name}"` },
    })
  },
)
