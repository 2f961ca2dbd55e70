import { readPlanFile } from '@/core/format/planFile'
import { fileName, planTextOf, subjectOfRevision } from '@/server/preparations'
import { may } from '@/server/rights'
import { route } from '@/server/route'
import { sdfOf } from '@/server/structures'

export const GET = route(
  { need: 'plan.read', subject: ({ id }: { id: string }) => subjectOfRevision(id) },
  async ({ params, actor }) => {
    const draftsToo = may(actor, 'plan.write', await subjectOfRevision(params.id))
    const { title, number, text } = await planTextOf(params.id, draftsToo)
    return new Response(sdfOf(readPlanFile(text)), {
      headers: {
        'content-type': 'chemical/x-mdl-sdfile; charset=utf-8',
        'content-disposition': `attachment; filename="${fileName(title)}-${number}.sdf"`,
      },
    })
  },
)
