import { openToday } from '@/server/calls'
import { personOf, route } from '@/server/route'

/** What happened and who asks for a person today, in the courses whose readings this person signs. */
export const GET = route({ need: { open: 'answers only about the courses of who asks' } }, async ({ actor }) => ({
  calls: await openToday(personOf(actor)),
}))
