import { labOfCourse } from '@/server/laboratory'
import { route } from '@/server/route'
import { subjectOfSession } from '@/server/sessions'
import { wasteView } from '@/server/wasteView'

/** Containers that are three quarters full by the log, for whoever watches the room. */
export const GET = route(
  { need: 'session.read', subject: ({ id }: { id: string }) => subjectOfSession(id) },
  async ({ params, about }) => {
    const { rows } = await wasteView(params.id, await labOfCourse(about!.course))
    return { full: rows.filter(({ call }) => call).map(({ stream, place }) => ({ stream, place })) }
  },
)
