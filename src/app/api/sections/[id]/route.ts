import { object } from 'yup'
import { sectionNameSchema } from '@/server/personSchema'
import { route } from '@/server/route'
import { subjectOfSection } from '@/server/sessions'
import { removeSection, renameSection } from '@/server/students'

const subject = ({ id }: { id: string }) => subjectOfSection(id)

export const PATCH = route(
  { need: 'section.write', subject, body: object({ name: sectionNameSchema }), deed: 'changed a section' },
  ({ params, body }) => renameSection(params.id, body.name),
)

export const DELETE = route({ need: 'section.write', subject, deed: 'changed a section' }, ({ params }) =>
  removeSection(params.id),
)
