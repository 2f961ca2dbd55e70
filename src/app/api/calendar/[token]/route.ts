import { asCalendar, calendarOfFeed } from '@/server/calendars'
import { route } from '@/server/route'

export const GET = route({ need: { open: 'a secret address, which is checked' } }, async ({ params }) =>
  asCalendar(await calendarOfFeed(params.token!.replace(/\.ics$/, ''))),
)
