import { object, string } from 'yup'
import { addressOf, route } from '@/server/route'
import { enterBench, leaveBench } from '@/server/signIn'

export const POST = route(
  {
    need: { open: 'typing a bench code' },
    body: object({ code: string().required('Type the code on the bench card.').max(20) }),
  },
  ({ body, request }) => enterBench(body.code, addressOf(request)),
)

export const DELETE = route({ need: { open: 'leaving the bench' } }, () => leaveBench())
