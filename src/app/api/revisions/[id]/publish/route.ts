import { boolean, number, object } from 'yup'
import { publish } from '@/server/drafts'
import { subjectOfRevision } from '@/server/revisions'
import { personOf, route } from '@/server/route'

export const POST = route(
  {
    need: 'plan.write',
    subject: ({ id }: { id: string }) => subjectOfRevision(id),
    body: object({
      version: number().integer().required(),
      safetyRead: boolean()
        .oneOf([true], 'Confirm the safety sheet of this draft first: it is published with your name.')
        .required('Confirm the safety sheet of this draft first: it is published with your name.'),
    }),
    deed: 'published a plan',
  },
  ({ params, body, actor }) => publish(params.id, body.version, personOf(actor).id),
)
