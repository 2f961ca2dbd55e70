import { mixed, object, string } from 'yup'
import { startDraft } from '@/server/drafts'
import { subjectOfPreparation } from '@/server/revisions'
import { personOf, route } from '@/server/route'

export const POST = route(
  {
    need: 'plan.write',
    subject: ({ id }: { id: string }) => subjectOfPreparation(id),
    body: object({ from: string().required().max(40), plan: mixed().required() }),
  },
  ({ params, body, actor }) => startDraft(params.id, body.from, body.plan, personOf(actor).id),
)
