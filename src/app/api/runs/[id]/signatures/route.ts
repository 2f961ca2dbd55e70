import { object, string } from 'yup'
import { Refusal } from '@/server/refusal'
import { addressOf, route } from '@/server/route'
import { may } from '@/server/rights'
import { signStep, subjectOfRun } from '@/server/runs'
import { signedIn } from '@/server/actor'

/**
 * Signs the readings of a step. A bench may ask, but the signature needs a demonstrator: signed in on this device, or by name and
 * password for this one signature.
 */
export const POST = route(
  {
    need: 'run.read',
    subject: ({ id }: { id: string }, people) => subjectOfRun(id, people),
    body: object({
      step: string().required().max(80),
      signer: object({ signIn: string().required().max(120), password: string().required().max(500) }).default(undefined),
    }),
  },
  async ({ params, body, request }) => {
    if (body.signer) {
      const signer = { ...body.signer, from: addressOf(request) }
      return { entries: await signStep(params.id, body.step, signer, 'bench tablet', addressOf(request)) }
    }
    const person = await signedIn()
    if (!person || !may(person, 'run.sign', await subjectOfRun(params.id))) {
      throw new Refusal(403, 'A demonstrator signs, with their own name and password.')
    }
    return { entries: await signStep(params.id, body.step, person, 'demonstrator’s tablet', addressOf(request)) }
  },
)
