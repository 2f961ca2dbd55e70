import { object } from 'yup'
import { makeCourse } from '@/server/colleges'
import { nameSchema, signInSchema, termSchema, titleSchema } from '@/server/personSchema'
import { college, personOf, route } from '@/server/route'

export const POST = route(
  {
    need: 'college.write',
    subject: college,
    body: object({ title: titleSchema, term: termSchema, owner: object({ name: nameSchema, signIn: signInSchema }).required() }),
    deed: 'made a course',
  },
  ({ body, actor }) => makeCourse(body, personOf(actor).id),
)
