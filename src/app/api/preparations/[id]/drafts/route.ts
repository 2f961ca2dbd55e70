import { mixed, object } from 'yup'
import { startDraft, subjectOfPreparation } from '@/server/preparations'
import { personOf, route } from '@/server/route'

export const POST = route(
  { need: 'plan.write', subject: ({ id }: { id: string }) => subjectOfPreparation(id), body: object({ plan: mixed().required() }) },
  ({ params, body, actor }) => startDraft(params.id, body.plan, personOf(actor).id),
)
