import { object, string } from 'yup'
import { personOf, route } from '@/server/route'
import { subjectOfRun } from '@/server/runs'
import { correctReading } from '@/server/staffEntries'

/** Puts a reading right after the day, with a reason; the old one stays readable. */
export const POST = route(
  {
    need: 'run.sign',
    subject: ({ id }: { id: string }, people) => subjectOfRun(id, people),
    body: object({
      of: string().required().max(26),
      body: object().required(),
      reason: string().trim().required('Say why it is put right: it stays beside the old reading.').max(200),
    }),
  },
  async ({ params, body, actor }) => ({
    entries: await correctReading(params.id, { of: body.of, body: body.body as object, reason: body.reason }, personOf(actor)),
  }),
)
