import { csvOf } from '@/server/apart/exported'
import { route } from '@/server/route'
import { subjectOfSession } from '@/server/sessions'

/** Every entry of a session. */
export const GET = route(
  { need: 'run.read', subject: ({ id }: { id: string }) => subjectOfSession(id), deed: 'exported results' },
  ({ params }) => csvOf(params.id, 'log'),
)
