import { array, mixed, object } from 'yup'
import { benchOf, route } from '@/server/route'
import { subjectOfRun, writeEntries } from '@/server/runs'

export const POST = route(
  {
    need: 'run.write',
    subject: ({ id }: { id: string }) => subjectOfRun(id),
    body: object({ entries: array(mixed()).min(1).max(500).required() }),
  },
  async ({ params, body, actor }) => ({ entries: await writeEntries(params.id, body.entries, benchOf(actor)) }),
)
