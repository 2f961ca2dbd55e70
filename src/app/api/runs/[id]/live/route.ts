import { cursorOf, liveStream } from '@/server/live'
import { route } from '@/server/route'
import { subjectOfRun } from '@/server/runs'

export const GET = route(
  { need: 'run.read', subject: ({ id }: { id: string }) => subjectOfRun(id) },
  async ({ params, request }) => liveStream(cursorOf(request, [params.id]), request.signal),
)
