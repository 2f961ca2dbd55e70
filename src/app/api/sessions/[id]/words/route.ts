import { Refusal } from '@/server/refusal'
import { route } from '@/server/route'
import { isOver, runsOfSession, subjectOfSession } from '@/server/sessions'
import { forgetWords } from '@/server/forgetting'

/** Forgets the free words and pictures of a session that is over; figures and entries stay. */
export const DELETE = route(
  { need: 'section.write', subject: ({ id }: { id: string }) => subjectOfSession(id), deed: 'forgot words' },
  async ({ params }) => {
    if (!(await isOver(params.id)))
      throw new Refusal(409, 'This session is not over: what its benches write is still needed. Forget it afterwards.')
    return { forgotten: await forgetWords(await runsOfSession(params.id)) }
  },
)
