import { exportPerson, forgetPerson } from '@/server/collegePeople'
import { college, route } from '@/server/route'

/** Everything that is held of a person who works here, or did. */
export const GET = route({ need: 'college.write', subject: college, deed: 'exported a person' }, ({ params }) =>
  exportPerson(params.user!),
)

/** Forgets a person who was withdrawn. */
export const DELETE = route({ need: 'college.write', subject: college, deed: 'forgot a person' }, ({ params }) =>
  forgetPerson(params.user!),
)
