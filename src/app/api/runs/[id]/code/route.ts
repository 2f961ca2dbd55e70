import { route } from '@/server/route'
import { subjectOfRun } from '@/server/runs'
import { newBenchCode } from '@/server/sessions'

/** A new code for this bench; what was opened with the old one ends. */
export const POST = route(
  { need: 'code.write', subject: ({ id }: { id: string }, people) => subjectOfRun(id, people) },
  ({ params }) => newBenchCode(params.id),
)
