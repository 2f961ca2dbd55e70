import { releaseResults } from '@/server/releases'
import { addressOf, personOf, route } from '@/server/route'
import { subjectOfSession } from '@/server/sessions'

/** Releases the results of a session as they are now. */
export const POST = route(
  { need: 'session.write', subject: ({ id }: { id: string }) => subjectOfSession(id) },
  async ({ params, actor, request }) => releaseResults(params.id, personOf(actor).id, addressOf(request)),
)
