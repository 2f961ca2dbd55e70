import type { Scheme } from '@/core/marking/scheme'
import { schemeSchema, setScheme } from '@/server/marks'
import { personOf, route } from '@/server/route'
import { subjectOfSession } from '@/server/sessions'

/** Sets what is judged in a session: points of each criterion, bands of the yield. */
export const PUT = route(
  { need: 'session.write', subject: ({ id }: { id: string }) => subjectOfSession(id), body: schemeSchema },
  async ({ params, body, actor }) => setScheme(params.id, body as Scheme, personOf(actor).id),
)
