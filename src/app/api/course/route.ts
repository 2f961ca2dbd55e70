import { object, string } from 'yup'
import { signedIn } from '@/server/actor'
import { lookAtCourse } from '@/server/page'
import { personOf, route } from '@/server/route'

/** Chooses which of one's courses to look at. */
export const POST = route(
  { need: { open: 'choosing among one’s own courses, which is checked' }, body: object({ course: string().required().max(40) }) },
  async ({ body }) => lookAtCourse(personOf(await signedIn()), body.course),
)
