import { dayPlanSchema } from '@/core/stores/record'
import { personOf, route } from '@/server/route'
import { writeRecord } from '@/server/stores'
import { subjectOfSession } from '@/server/sessions'

/** What the groups of a session are told, and what there is of its stations today. */
export const PUT = route(
  { need: 'timetable.write', subject: ({ id }: { id: string }) => subjectOfSession(id), body: dayPlanSchema },
  async ({ params, body, about, actor }) => {
    await writeRecord({ course: about!.course, session: params.id, kind: 'timetable', item: '', body }, personOf(actor).id)
  },
)
