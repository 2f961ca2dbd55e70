import { object } from 'yup'
import { sectionNameSchema } from '@/server/personSchema'
import { courseOf, route } from '@/server/route'
import { addSection } from '@/server/students'

export const POST = route(
  {
    need: 'section.write',
    subject: courseOf<{ id: string }>,
    body: object({ name: sectionNameSchema }),
    deed: 'changed a section',
  },
  ({ params, body }) => addSection(params.id, body.name),
)
