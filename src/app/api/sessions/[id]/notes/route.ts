import { object, string } from 'yup'
import { personOf, route } from '@/server/route'
import { subjectOfSession } from '@/server/sessions'
import { tellAll } from '@/server/staffEntries'

/** Says the same to every bench of a session. */
export const POST = route(
  {
    need: 'run.sign',
    subject: ({ id }: { id: string }) => subjectOfSession(id),
    body: object({ text: string().trim().required('Nothing is said.').max(400) }),
  },
  async ({ params, body, actor }) => ({ entries: await tellAll(params.id, body.text, personOf(actor)) }),
)
