import { handBack } from '@/server/marks'
import { addressOf, personOf, route } from '@/server/route'
import { subjectOfSession } from '@/server/sessions'

/** Hands back every mark that is decided. */
export const POST = route(
  { need: 'session.write', subject: ({ id }: { id: string }) => subjectOfSession(id) },
  async ({ params, actor, request }) => ({ count: await handBack(params.id, personOf(actor).id, addressOf(request)) }),
)
