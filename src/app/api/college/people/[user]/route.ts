import { setAdministrator, withdraw } from '@/server/collegePeople'
import { administratorSchema } from '@/server/personSchema'
import { college, route } from '@/server/route'

export const PATCH = route(
  { need: 'college.write', subject: college, body: administratorSchema, deed: 'changed a role' },
  ({ params, body }) => setAdministrator(params.user!, body.administrator),
)

export const DELETE = route({ need: 'college.write', subject: college, deed: 'withdrew a person' }, ({ params }) =>
  withdraw(params.user!),
)
