import { object } from 'yup'
import { invite } from '@/server/people'
import { nameSchema, roleSchema, signInSchema } from '@/server/personSchema'
import { courseOf, personOf, route } from '@/server/route'

export const POST = route(
  {
    need: 'people.write',
    subject: courseOf<{ id: string }>,
    body: object({ name: nameSchema, signIn: signInSchema, role: roleSchema }),
    deed: 'invited a person',
  },
  ({ params, body, actor }) => invite(params.id, body, personOf(actor).id),
)
