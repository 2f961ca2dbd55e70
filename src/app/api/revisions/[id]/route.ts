import { mixed, number, object } from 'yup'
import { discardDraft, saveDraft } from '@/server/drafts'
import { subjectOfRevision } from '@/server/revisions'
import { personOf, route } from '@/server/route'

const subject = ({ id }: { id: string }) => subjectOfRevision(id)

export const PUT = route(
  { need: 'plan.write', subject, body: object({ version: number().integer().required(), plan: mixed().required() }) },
  ({ params, body, actor }) => saveDraft(params.id, body.version, body.plan, personOf(actor).id),
)

/** Discards a draft, also one that cannot be read any more. */
export const DELETE = route({ need: 'plan.write', subject }, ({ params }) => discardDraft(params.id))
