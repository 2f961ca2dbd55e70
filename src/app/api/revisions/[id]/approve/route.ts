import { approve } from '@/server/approvals'
import { subjectOfRevision } from '@/server/revisions'
import { personOf, route } from '@/server/route'

export const POST = route(
  { need: 'approve', subject: ({ id }: { id: string }) => subjectOfRevision(id), deed: 'approved a plan' },
  ({ params, actor }) => approve(params.id, personOf(actor).id),
)
