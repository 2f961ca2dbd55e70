import { made } from '@/server/interfaceSchema'
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
    token: {
      right: 'sessions.write',
      says: 'Sets a session of a published plan for groups of a section, each at its own scale, over as many days as are given.',
      answers: made,
    },
  },
  ({ body }) => createSession(body),
)
