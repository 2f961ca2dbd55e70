import { object, string } from 'yup'
import { personOf, route } from '@/server/route'
import { subjectOfRun } from '@/server/runs'
import { answerCall, tellBench } from '@/server/staffEntries'

const subject = ({ id }: { id: string }, people: Parameters<typeof subjectOfRun>[1]) => subjectOfRun(id, people)

/** Says something to a bench, which it has to acknowledge. */
export const POST = route(
  { need: 'run.sign', subject, body: object({ text: string().trim().required('Nothing is said.').max(400) }) },
  async ({ params, body, actor }) => ({ entries: await tellBench(params.id, body.text, personOf(actor)) }),
)

/** Says that somebody has been at the bench, about a call of it. */
export const PUT = route(
  { need: 'run.sign', subject, body: object({ of: string().required().max(26), text: string().trim().max(400).default('') }) },
  async ({ params, body, actor }) => ({ entries: await answerCall(params.id, body.of, body.text, personOf(actor)) }),
)
