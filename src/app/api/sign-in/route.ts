import { object, string } from 'yup'
import { addressOf, route } from '@/server/route'
import { signIn, signOut } from '@/server/signIn'

export const POST = route(
  {
    need: { open: 'signing in' },
    body: object({ signIn: string().required().max(120), password: string().required().max(500) }),
  },
  ({ body, request }) => signIn(body.signIn, body.password, addressOf(request)),
)

export const DELETE = route({ need: { open: 'signing out' } }, () => signOut())
