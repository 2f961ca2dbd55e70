import type { Mark } from '@/core/marking/mark'
import { decide, markSchema } from '@/server/marks'
import { addressOf, personOf, route } from '@/server/route'
import { subjectOfRun } from '@/server/runs'

/** What a person decides for a run. */
export const PUT = route(
  { need: 'run.sign', subject: ({ id }: { id: string }, people) => subjectOfRun(id, people), body: markSchema },
  async ({ params, body, actor, request }) => decide(params.id, body as Mark, personOf(actor).id, addressOf(request)),
)
