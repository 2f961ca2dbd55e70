import { route } from '@/server/route'
import { csvOfSession } from '@/server/results'
import { subjectOfSession } from '@/server/sessions'

export const GET = route(
  {
    need: 'results.read',
    subject: ({ id }: { id: string }) => subjectOfSession(id),
    deed: 'exported results',
    token: {
      right: 'results.read',
      says: 'The results of a session as a table for spreadsheets.',
      answers: { type: 'text/csv' },
    },
  },
  async ({ params }) => {
    const { name, text } = await csvOfSession(params.id)
    return new Response(text, {
      headers: { 'content-type': 'text/csv; charset=utf-8', 'content-disposition': `attachment; filename="${name}"` },
    })
  },
)
