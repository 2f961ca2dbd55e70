import { signedIn } from '@/server/actor'
import { newFeed } from '@/server/calendars'
import { personOf, route } from '@/server/route'

/** The secret address of one's own calendar; making it anew ends the old one. */
export const POST = route({ need: { open: 'one’s own calendar, of whoever is signed in' } }, async () =>
  newFeed(personOf(await signedIn()).id),
)
