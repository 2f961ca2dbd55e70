import { number, object } from 'yup'
import { publish, subjectOfRevision } from '@/server/preparations'
import { personOf, route } from '@/server/route'

export const POST = route(
  {
    need: 'plan.write',
    subject: ({ id }: { id: string }) => subjectOfRevision(id),
    body: object({ version: number().integer().required() }),
  },
  ({ params, body, actor }) => publish(params.id, body.version, personOf(actor).id),
)
