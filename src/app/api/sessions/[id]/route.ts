import { route } from '@/server/route'
import { daySchema, reasonSchema } from '@/server/sessionSchema'
import { subjectOfSession } from '@/server/sessions'
import { cancelSession, changeSession } from '@/server/setSessions'

const subject = ({ id }: { id: string }) => subjectOfSession(id)

export const PATCH = route({ need: 'session.write', subject, body: daySchema, deed: 'changed a session' }, ({ params, body }) =>
  changeSession(params.id, body),
)

export const DELETE = route(
  { need: 'session.write', subject, body: reasonSchema, deed: 'cancelled a session' },
  ({ params, body }) => cancelSession(params.id, body.reason),
)
