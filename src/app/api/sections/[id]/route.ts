import { object } from 'yup'
import { done } from '@/server/interfaceSchema'
import { sectionNameSchema } from '@/server/personSchema'
import { route } from '@/server/route'
import { subjectOfSection } from '@/server/sessions'
import { removeSection, renameSection } from '@/server/students'

const subject = ({ id }: { id: string }) => subjectOfSection(id)

export const PATCH = route(
  {
    need: 'section.write',
    subject,
    body: object({ name: sectionNameSchema }),
    deed: 'changed a section',
    token: { right: 'people.write', says: 'Gives a section another name.', answers: done },
  },
  ({ params, body }) => renameSection(params.id, body.name),
)

export const DELETE = route(
  {
    need: 'section.write',
    subject,
    deed: 'changed a section',
    token: { right: 'people.write', says: 'Takes away a section for which no session was ever set.', answers: done },
  },
  ({ params }) => removeSection(params.id),
)
