import { route } from '@/server/route'
import { groupSchema } from '@/server/sessionSchema'
import { subjectOfSession } from '@/server/sessions'
import { addGroup } from '@/server/setSessions'

export const POST = route(
  {
    need: 'session.write',
    subject: ({ id }: { id: string }) => subjectOfSession(id),
    body: groupSchema,
    deed: 'changed a session',
  },
  ({ params, body }) => addGroup(params.id, body),
)
