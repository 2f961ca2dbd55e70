import { route } from '@/server/route'
import { subjectOfSession } from '@/server/sessions'
import { restoreSession } from '@/server/setSessions'

/** Takes a cancelling back while the session is still ahead. */
export const POST = route(
  { need: 'session.write', subject: ({ id }: { id: string }) => subjectOfSession(id), deed: 'restored a session' },
  ({ params }) => restoreSession(params.id),
)
