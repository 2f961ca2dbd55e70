import { object, string } from 'yup'
import { newBenchCode } from '@/server/codes'
import { route } from '@/server/route'
import { subjectOfRun } from '@/server/runs'

/** A new code for this bench, on a later day where one is named; what was opened with the old one ends. */
export const POST = route(
  {
    need: 'code.write',
    subject: ({ id }: { id: string }, people) => subjectOfRun(id, people),
    body: object({ day: string().max(40) }),
    deed: 'replaced a code',
  },
  ({ params, body }) => newBenchCode(params.id, body.day),
)
