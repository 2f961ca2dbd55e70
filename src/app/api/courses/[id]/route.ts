import { boolean, object } from 'yup'
import { termSchema, titleSchema } from '@/server/personSchema'
import { courseOf, route } from '@/server/route'
import { changeCourse } from '@/server/terms'

export const PUT = route(
  {
    need: 'people.write',
    subject: courseOf<{ id: string }>,
    body: object({ title: titleSchema, term: termSchema, approval: boolean().required() }),
    deed: 'changed the college',
  },
  ({ params, body }) => changeCourse(params.id, body),
)
