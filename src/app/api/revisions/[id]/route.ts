import { mixed, number, object } from 'yup'
import { saveDraft, subjectOfRevision } from '@/server/preparations'
import { personOf, route } from '@/server/route'

export const PUT = route(
  {
    need: 'plan.write',
    subject: ({ id }: { id: string }) => subjectOfRevision(id),
    body: object({ version: number().integer().required(), plan: mixed().required() }),
  },
  ({ params, body, actor }) => saveDraft(params.id, body.version, body.plan, personOf(actor).id),
)
