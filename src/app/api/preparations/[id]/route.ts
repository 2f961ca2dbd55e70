import { boolean, object } from 'yup'
import { archivePreparation } from '@/server/drafts'
import { subjectOfPreparation } from '@/server/revisions'
import { route } from '@/server/route'

export const PATCH = route(
  {
    need: 'plan.write',
    subject: ({ id }: { id: string }) => subjectOfPreparation(id),
    body: object({ archived: boolean().required() }),
  },
  ({ params, body }) => archivePreparation(params.id, body.archived),
)
