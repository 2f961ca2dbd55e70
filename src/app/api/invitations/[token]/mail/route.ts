import { object, string } from 'yup'
import { signedIn } from '@/server/actor'
import { mailLink } from '@/server/mail'
import { originFor } from '@/server/origin'
import { personOf, route } from '@/server/route'

/** Sends a link that one has just made to an address. */
export const POST = route(
  {
    need: { open: 'whoever is signed in and holds the secret of a link that stands, which is checked' },
    body: object({
      to: string().trim().required('Write the address.').email('Write an address such as m.weber@college.example.').max(200),
    }),
  },
  async ({ params, body, request }) =>
    mailLink(params.token!, body.to, { origin: originFor(request.headers), by: personOf(await signedIn()).id }),
)
