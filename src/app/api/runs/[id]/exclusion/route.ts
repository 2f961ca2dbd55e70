import { object, string } from 'yup'
import { personOf, route } from '@/server/route'
import { subjectOfRun } from '@/server/runs'
import { excludeRun, includeRun } from '@/server/staffEntries'

const subject = ({ id }: { id: string }, people: Parameters<typeof subjectOfRun>[1]) => subjectOfRun(id, people)

/** Takes a result out of the figures of its class, with a reason; it stays visible. */
export const POST = route(
  {
    need: 'run.sign',
    subject,
    body: object({ reason: string().trim().required('Say why this result does not count.').max(200) }),
  },
  async ({ params, body, actor }) => ({ entries: await excludeRun(params.id, body.reason, personOf(actor)) }),
)

/** Lets it count again. */
export const DELETE = route({ need: 'run.sign', subject }, async ({ params, actor }) => ({
  entries: await includeRun(params.id, personOf(actor)),
}))
