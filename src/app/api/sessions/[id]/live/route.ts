import { cursorOf, liveStream } from '@/server/live'
import { answerTo } from '@/server/openAnswers'
import { route } from '@/server/route'
import { runsOfSession, subjectOfSession } from '@/server/sessions'

export const GET = route(
  { need: 'run.read', subject: ({ id }: { id: string }) => subjectOfSession(id) },
  async ({ params, request, actor, about }) =>
    liveStream(
      cursorOf(request, await runsOfSession(params.id)),
      { actor: actor!, course: about!.course },
      request.signal,
      answerTo(request),
    ),
)
