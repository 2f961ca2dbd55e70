import { newLink } from '@/server/people'
import { courseOf, personOf, route } from '@/server/route'

export const POST = route(
  { need: 'people.write', subject: courseOf<{ id: string; user: string }>, deed: 'made a new link' },
  ({ params, actor }) => newLink(params.id, params.user, personOf(actor).id),
)
