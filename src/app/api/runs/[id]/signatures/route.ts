import { array, object, string } from 'yup'
import { signedIn } from '@/server/actor'
import { signersOf } from '@/server/pins'
import { Refusal } from '@/server/refusal'
import { may } from '@/server/rights'
import { addressOf, route } from '@/server/route'
import { subjectOfRun } from '@/server/runs'
import { signSteps } from '@/server/staffEntries'

const subject = ({ id }: { id: string }, people: Parameters<typeof subjectOfRun>[1]) => subjectOfRun(id, people)

/** Who may sign here, by name, and who has a PIN for it. */
export const GET = route({ need: 'run.read', subject }, async ({ about }) => ({ signers: await signersOf(about!.course) }))

/**
 * Signs the readings of one step or of several. A bench may ask, but the signature needs a demonstrator: signed in on this device, or by name and
 * password or by a PIN for this one signature.
 */
export const POST = route(
  {
    need: 'run.read',
    subject,
    body: object({
      steps: array(string().required().max(80)).min(1).max(40).required(),
      signer: object({ signIn: string().required().max(120), password: string().required().max(500) }).default(undefined),
      pin: object({ person: string().required().max(26), pin: string().required().max(12) }).default(undefined),
    }),
  },
  async ({ params, body: { steps, signer, pin }, request }) => {
    const from = addressOf(request)
    if (signer) return { entries: await signSteps(params.id, steps, { ...signer, from }, 'bench tablet', from) }
    if (pin) return { entries: await signSteps(params.id, steps, { ...pin, from }, 'bench tablet', from) }
    const person = await signedIn()
    if (!person || !may(person, 'run.sign', await subjectOfRun(params.id))) {
      throw new Refusal(403, 'A demonstrator signs, with their own name and password.')
    }
    return { entries: await signSteps(params.id, steps, person, 'demonstrator’s tablet', from) }
  },
)
