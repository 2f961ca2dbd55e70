import { done, sessionView } from '@/server/interfaceSchema'
import { route } from '@/server/route'
import { daySchema, reasonSchema } from '@/server/sessionSchema'
import { sessionWithRuns, subjectOfSession } from '@/server/sessions'
import { cancelSession, changeSession } from '@/server/setSessions'

const subject = ({ id }: { id: string }) => subjectOfSession(id)

export const GET = route(
  {
    need: 'session.read',
    subject,
    token: { right: 'sessions.read', says: 'A session with its runs; codes of benches are not told.', answers: sessionView },
  },
  ({ params }) => sessionWithRuns(params.id),
)

export const PATCH = route(
  {
    need: 'session.write',
    subject,
    body: daySchema,
    deed: 'changed a session',
    token: {
      right: 'sessions.write',
      says: 'Moves a session that has not begun; afterwards only its room and a later end.',
      answers: done,
    },
  },
  ({ params, body }) => changeSession(params.id, body),
)

export const DELETE = route(
  {
    need: 'session.write',
    subject,
    body: reasonSchema,
    deed: 'cancelled a session',
    token: { right: 'sessions.write', says: 'Cancels a session that has not begun.', answers: done },
  },
  ({ params, body }) => cancelSession(params.id, body.reason),
)
