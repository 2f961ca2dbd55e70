import { route } from '@/server/route'
import { checkSchema } from '@/server/sessionSchema'
import { subjectOfSection } from '@/server/sessions'
import { checkSession } from '@/server/setSessions'

/** What is to be said about a session before it is set; changes nothing. */
export const POST = route(
  { need: 'session.write', subjectOfBody: ({ section }: { section: string }) => subjectOfSection(section), body: checkSchema },
  async ({ body }) => ({ said: await checkSession(body) }),
)
