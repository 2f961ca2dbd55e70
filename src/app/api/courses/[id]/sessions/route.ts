import { sessionsView } from '@/server/interfaceSchema'
import { courseOf, route } from '@/server/route'
import { listSessions } from '@/server/sessions'

/** The sessions of a course, the latest first. */
export const GET = route(
  {
    need: 'session.read',
    subject: courseOf<{ id: string }>,
    token: {
      right: 'sessions.read',
      says: 'The sessions of a course, the latest first, forty at a time; `more` says that there is a further page.',
      query: { page: 'Which page; the first where nothing is said.' },
      answers: sessionsView,
    },
  },
  ({ params, request }) => listSessions(params.id, Number(request.nextUrl.searchParams.get('page') ?? 1) || 1),
)
