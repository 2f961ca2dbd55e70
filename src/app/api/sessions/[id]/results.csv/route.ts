import { csvOf } from '@/server/apart/exported'
import { route } from '@/server/route'
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
  ({ params }) => csvOf(params.id, 'results'),
)
