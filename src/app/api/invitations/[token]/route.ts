import { object } from 'yup'
import { takeUp } from '@/server/invitations'
import { passwordSchema } from '@/server/personSchema'
import { addressOf, route } from '@/server/route'
import { openFor } from '@/server/signIn'

export const POST = route(
  { need: { open: 'a link that was made for one person, which is checked' }, body: object({ password: passwordSchema }) },
  async ({ params, body, request }) => {
    const { user } = await takeUp(params.token!, body.password, addressOf(request))
    await openFor(user)
  },
)
