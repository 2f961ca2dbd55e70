import { object } from 'yup'
import { done } from '@/server/interfaceSchema'
import { changeRole, takeOut } from '@/server/people'
import { roleSchema } from '@/server/personSchema'
import { courseOf, route } from '@/server/route'

type Params = { id: string; user: string }

export const PATCH = route(
  {
    need: 'people.write',
    subject: courseOf<Params>,
    body: object({ role: roleSchema }),
    deed: 'changed a role',
    token: { right: 'people.write', says: 'Gives a person another role in a course.', answers: done },
  },
  ({ params, body }) => changeRole(params.id, params.user, body.role),
)

export const DELETE = route(
  {
    need: 'people.write',
    subject: courseOf<Params>,
    deed: 'withdrew a person',
    token: { right: 'people.write', says: 'Takes a person out of a course; what they did stays.', answers: done },
  },
  ({ params }) => takeOut(params.id, params.user),
)
