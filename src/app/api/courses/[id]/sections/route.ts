import { object } from 'yup'
import { made, sectionsView } from '@/server/interfaceSchema'
import { sectionNameSchema } from '@/server/personSchema'
import { courseOf, route } from '@/server/route'
import { addSection, sectionsOfCourse } from '@/server/students'

export const GET = route(
  {
    need: 'section.write',
    subject: courseOf<{ id: string }>,
    token: {
      right: 'people.read',
      says: 'The sections of a course, with their groups and who is in them.',
      answers: sectionsView,
    },
  },
  async ({ params }) => ({ sections: await sectionsOfCourse(params.id) }),
)

export const POST = route(
  {
    need: 'section.write',
    subject: courseOf<{ id: string }>,
    body: object({ name: sectionNameSchema }),
    deed: 'changed a section',
    token: { right: 'people.write', says: 'Makes a section of a course.', answers: made },
  },
  ({ params, body }) => addSection(params.id, body.name),
)
