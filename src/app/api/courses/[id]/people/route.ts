import { object } from 'yup'
import { invitedView, peopleView } from '@/server/interfaceSchema'
import { invite, peopleOfCourse } from '@/server/people'
import { nameSchema, roleSchema, signInSchema } from '@/server/personSchema'
import { courseOf, madeBy, route } from '@/server/route'

export const GET = route(
  {
    need: 'people.write',
    subject: courseOf<{ id: string }>,
    token: { right: 'people.read', says: 'Who works in a course, and as what.', answers: peopleView },
  },
  async ({ params }) => ({
    people: (await peopleOfCourse(params.id)).map(({ id, name, signIn, role, here }) => ({ id, name, signIn, role, here })),
  }),
)

export const POST = route(
  {
    need: 'people.write',
    subject: courseOf<{ id: string }>,
    body: object({ name: nameSchema, signIn: signInSchema, role: roleSchema }),
    deed: 'invited a person',
    token: {
      right: 'people.write',
      says: 'Brings a person into a course. One who is new to the college is invited: the answer holds the secret part of their link, /invitation/TOKEN, good for a week and told only here.',
      answers: invitedView,
    },
  },
  ({ params, body, actor }) => invite(params.id, body, madeBy(actor)),
)
