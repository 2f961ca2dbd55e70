import { route } from '@/server/route'
import { csvOfSession } from '@/server/results'
import { subjectOfSession } from '@/server/sessions'

export const GET = route(
  { need: 'results.read', subject: ({ id }: { id: string }) => subjectOfSession(id), deed: 'exported results' },
  async ({ params }) => {
    const { name, text } = await csvOfSession(params.id)
    return new Response(text, {
      headers: { 'content-type': 'text/csv; charset=utf-8', 'content-disposition': `attachment; filename="${name}"` },
    })
  },
)
