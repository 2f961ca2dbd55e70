import { object } from 'yup'
import { termSchema, titleSchema } from '@/server/personSchema'
import { courseOf, personOf, route } from '@/server/route'
import { copyCourse } from '@/server/terms'

export const POST = route(
  {
    need: 'people.write',
    subject: courseOf<{ id: string }>,
    body: object({ title: titleSchema, term: termSchema }),
    deed: 'copied a course',
  },
  ({ params, body, actor }) => copyCourse(params.id, body, personOf(actor).id),
)
