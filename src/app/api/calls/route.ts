import { signedInHere } from '@/server/actor'
import { openToday } from '@/server/calls'
import { route } from '@/server/route'

/** What happened and who asks for a person today, in the courses whose readings this person signs; also on a tablet that is a bench at the same time. */
export const GET = route({ need: { open: 'answers only about the courses of who asks' } }, async () => ({
  calls: await openToday(await signedInHere()),
}))
