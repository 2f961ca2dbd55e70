import { resultsView } from '@/server/interfaceSchema'
import { resultsOfSession } from '@/server/results'
import { route } from '@/server/route'
import { subjectOfSession } from '@/server/sessions'

export const GET = route(
  {
    need: 'results.read',
    subject: ({ id }: { id: string }) => subjectOfSession(id),
    deed: 'exported results',
    token: {
      right: 'results.read',
      says: 'The results of a session, bench by bench. Figures are not rounded; `u` is their standard uncertainty in the same unit, masses are in grams.',
      answers: resultsView,
    },
  },
  ({ params }) => resultsOfSession(params.id),
)
