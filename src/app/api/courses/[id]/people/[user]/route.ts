import { object } from 'yup'
import { changeRole, takeOut } from '@/server/people'
import { roleSchema } from '@/server/personSchema'
import { courseOf, route } from '@/server/route'

type Params = { id: string; user: string }

export const PATCH = route(
  { need: 'people.write', subject: courseOf<Params>, body: object({ role: roleSchema }), deed: 'changed a role' },
  ({ params, body }) => changeRole(params.id, params.user, body.role),
)

export const DELETE = route({ need: 'people.write', subject: courseOf<Params>, deed: 'withdrew a person' }, ({ params }) =>
  takeOut(params.id, params.user),
)
