import { route } from '@/server/route'
import { subjectOfRun } from '@/server/runs'
import { usualOfOthers } from '@/server/usual'

/** What is usual among the other benches of the session: middles of three or more, never a bench's own figures. */
export const GET = route(
  { need: 'run.read', subject: ({ id }: { id: string }, people) => subjectOfRun(id, people) },
  ({ params }) => usualOfOthers(params.id),
)
