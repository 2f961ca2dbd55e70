import { coursesView } from '@/server/interfaceSchema'
import { coursesOf } from '@/server/people'
import { Refusal } from '@/server/refusal'
import { route } from '@/server/route'

/** The courses of whoever asks: a person's own, or those that a token is good for. */
export const GET = route(
  {
    need: { open: 'answers with what whoever asks belongs to; nobody is refused there' },
    token: { right: 'any', says: 'The courses that this token is good for.', answers: coursesView },
  },
  async ({ actor }) => {
    if (!actor || actor.kind === 'bench') throw new Refusal(401, 'Sign in first.')
    return { courses: await coursesOf(actor) }
  },
)
