import { mixed, object, string } from 'yup'
import { foundKinds } from '@/core/classroom/findable'
import { personOf, route } from '@/server/route'
import { subjectOfRun } from '@/server/runs'
import { writeFinding } from '@/server/staffEntries'

/** What staff or an instrument found of a run's sample, days later: it goes into the log of the run like a reading, in the name of who writes it. */
export const POST = route(
  {
    need: 'run.sign',
    subject: ({ id }: { id: string }, people) => subjectOfRun(id, people),
    body: object({
      step: string().required().max(80),
      kind: string().oneOf(foundKinds).required(),
      body: mixed<object>().required(),
    }),
  },
  async ({ params, body, actor }) => ({ entries: await writeFinding(params.id, body, personOf(actor)) }),
)
