import { route } from '@/server/route'
import { runsOfSession, subjectOfSession } from '@/server/sessions'
import { forgetWords } from '@/server/students'

/** Forgets the free words and pictures of a session; figures and entries stay. */
export const DELETE = route(
  { need: 'section.write', subject: ({ id }: { id: string }) => subjectOfSession(id), deed: 'forgot words' },
  async ({ params }) => ({ forgotten: await forgetWords(await runsOfSession(params.id)) }),
)
