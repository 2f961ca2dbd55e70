import { route } from '@/server/route'
import { setSchema } from '@/server/sessionSchema'
import { subjectOfSection } from '@/server/sessions'
import { createSession } from '@/server/setSessions'

export const POST = route(
  {
    need: 'session.write',
    subjectOfBody: ({ section }: { section: string }) => subjectOfSection(section),
    body: setSchema,
    deed: 'set a session',
  },
  ({ body }) => createSession(body),
)
