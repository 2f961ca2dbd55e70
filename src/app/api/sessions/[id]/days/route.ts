import { route } from '@/server/route'
import { benchesDaySchema } from '@/server/sessionSchema'
import { subjectOfSession } from '@/server/sessions'
import { anotherDay } from '@/server/setSessions'

export const POST = route(
  {
    need: 'session.write',
    subject: ({ id }: { id: string }) => subjectOfSession(id),
    body: benchesDaySchema,
    deed: 'changed a session',
  },
  ({ params, body }) => anotherDay(params.id, body),
)
