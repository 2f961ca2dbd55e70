import { array, mixed, object, string } from 'yup'
import { benchOf, route } from '@/server/route'
import { subjectOfRun, writeEntries } from '@/server/runs'

export const POST = route(
  {
    need: 'run.write',
    subject: ({ id }: { id: string }, people) => subjectOfRun(id, people),
    body: object({
      entries: array(mixed()).min(1).max(240).required(),
      /** What the tablet's clock showed when it sent this. */
      sentAt: string().max(40),
    }),
  },
  ({ params, body, actor }) => writeEntries(params.id, body.entries, benchOf(actor), { sentAt: body.sentAt }),
)
