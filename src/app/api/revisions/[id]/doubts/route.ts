import { doubtsAtScale } from '@/core/query/doubtsAtScale'
import { labOfCourse } from '@/server/laboratory'
import { planToWrite } from '@/server/preparations'
import { subjectOfRevision } from '@/server/revisions'
import { Refusal } from '@/server/refusal'
import { route } from '@/server/route'

/** What the plan doubts at another scale, before a group is given it. */
export const GET = route(
  { need: 'plan.read', subject: ({ id }: { id: string }) => subjectOfRevision(id) },
  async ({ params, request, actor }) => {
    const scale = Number(request.nextUrl.searchParams.get('scale'))
    if (!(scale >= 0.05 && scale <= 20)) throw new Refusal(400, 'A scale is a number from 0.05 to 20.')
    const { plan } = await planToWrite(params.id, actor)
    const { course } = await subjectOfRevision(params.id)
    return { doubts: doubtsAtScale(plan, scale, await labOfCourse(course)) }
  },
)
