import { object, string } from 'yup'
import { personOf, route } from '@/server/route'
import { subjectOfSession } from '@/server/sessions'
import { joinBenches, partBenches } from '@/server/staffEntries'

const subject = ({ id }: { id: string }) => subjectOfSession(id)
const run = string().required().max(26)

/** Two groups go on as one, at the bench of the first. */
export const POST = route(
  { need: 'run.sign', subject, body: object({ here: run, other: run }) },
  async ({ params, body, actor }) => ({
    entries: await joinBenches(body.here, body.other, params.id, personOf(actor)),
  }),
)

/** They part again. */
export const DELETE = route({ need: 'run.sign', subject, body: object({ run }) }, async ({ params, body, actor }) => ({
  entries: await partBenches(body.run, params.id, personOf(actor)),
}))
