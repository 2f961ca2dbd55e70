import { newLinkFor } from '@/server/collegePeople'
import { college, personOf, route } from '@/server/route'

export const POST = route({ need: 'college.write', subject: college, deed: 'made a new link' }, ({ params, actor }) =>
  newLinkFor(params.user!, personOf(actor).id),
)
