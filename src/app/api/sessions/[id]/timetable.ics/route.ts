import { asCalendar } from '@/server/calendars'
import { labOfCourse } from '@/server/laboratory'
import { route } from '@/server/route'
import { subjectOfSession } from '@/server/sessions'
import { timetableCalendar } from '@/server/timetableView'

/** When each bench begins, comes to what is shared, and is done. */
export const GET = route(
  { need: 'session.read', subject: ({ id }: { id: string }) => subjectOfSession(id) },
  async ({ params, about }) => asCalendar(await timetableCalendar(params.id, await labOfCourse(about!.course))),
)
