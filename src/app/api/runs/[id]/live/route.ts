import { cursorOf, liveStream } from '@/server/live'
import { answerTo } from '@/server/openAnswers'
import { route } from '@/server/route'
import { subjectOfRun } from '@/server/runs'

export const GET = route(
  { need: 'run.read', subject: ({ id }: { id: string }, people) => subjectOfRun(id, people) },
  async ({ params, request, actor, about }) =>
    liveStream(cursorOf(request, [params.id]), { actor: actor!, course: about!.course }, request.signal, answerTo(request)),
)
