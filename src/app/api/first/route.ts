import { string } from 'yup'
import { begin } from '@/server/invitations'
import { beginningSchema } from '@/server/personSchema'
import { addressOf, route } from '@/server/route'
import { openFor } from '@/server/signIn'

export const POST = route(
  {
    need: { open: 'the link that is printed once, which is checked' },
    body: beginningSchema.shape({ token: string().required().max(80) }),
  },
  async ({ body: { token, ...wanted }, request }) => {
    const { user } = await begin(token, wanted, addressOf(request))
    await openFor(user)
  },
)
