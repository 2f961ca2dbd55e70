import { asCalendar, calendarOfCourse } from '@/server/calendars'
import { courseOf, route } from '@/server/route'

export const GET = route({ need: 'session.read', subject: courseOf<{ id: string }> }, async ({ params }) =>
  asCalendar(await calendarOfCourse(params.id)),
)
