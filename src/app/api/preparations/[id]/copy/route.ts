import { copyPreparation } from '@/server/drafts'
import { subjectOfPreparation } from '@/server/revisions'
import { personOf, route } from '@/server/route'

export const POST = route(
  { need: 'plan.write', subject: ({ id }: { id: string }) => subjectOfPreparation(id) },
  ({ params, actor }) => copyPreparation(params.id, personOf(actor).id),
)
