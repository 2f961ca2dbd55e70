import { dayPlanSchema } from '@/core/stores/record'
import { personOf, route } from '@/server/route'
import { writeDayPlan } from '@/server/dayPlans'
import { subjectOfSession } from '@/server/sessions'
import { writtenWhole } from '@/server/whole'

/** What the groups of a session are told, and what there is of its stations today. */
export const PUT = route(
  { need: 'timetable.write', subject: ({ id }: { id: string }) => subjectOfSession(id), body: writtenWhole(dayPlanSchema) },
  ({ params, body, about, actor }) => writeDayPlan(about!.course, params.id, body, personOf(actor).id),
)
