import { csvOf } from '@/server/apart/exported'
import { route } from '@/server/route'
import { subjectOfSession } from '@/server/sessions'

/** Every figure of a session, one unit a column. */
export const GET = route(
  { need: 'results.read', subject: ({ id }: { id: string }) => subjectOfSession(id), deed: 'exported results' },
  ({ params }) => csvOf(params.id, 'figures'),
)
