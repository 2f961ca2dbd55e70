import { object, string } from 'yup'
import { signedInHere } from '@/server/actor'
import { record } from '@/server/deeds'
import { setPin } from '@/server/pins'
import { addressOf, route } from '@/server/route'

/** Sets one's own PIN for signatures at a bench; an empty one takes it away. */
export const PUT = route(
  {
    need: { open: 'each person sets only their own, and gives the password' },
    body: object({
      pin: string()
        .defined()
        .matches(/^(\d{4,8})?$/, 'A PIN has four to eight digits.'),
      password: string().required('Give your password: it shows that it is you.').max(500),
    }),
  },
  async ({ body, request }) => {
    const person = await signedInHere()
    await setPin(person, body, addressOf(request))
    await record({ what: 'set a PIN', person: person.id, from: addressOf(request) })
  },
)
