import { revisionsView } from '@/server/interfaceSchema'
import { publishedRevisions } from '@/server/preparationLists'
import { courseOf, route } from '@/server/route'

/** What a session can be set for. */
export const GET = route(
  {
    need: 'session.read',
    subject: courseOf<{ id: string }>,
    token: {
      right: 'sessions.read',
      says: 'The published plans of a course, for which sessions are set.',
      answers: revisionsView,
    },
  },
  async ({ params }) => ({ revisions: await publishedRevisions(params.id) }),
)
