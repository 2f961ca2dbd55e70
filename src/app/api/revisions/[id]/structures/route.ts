import { readPlanFile } from '@/core/format/planFile'
import { fileName, planTextOf, subjectOfRevision } from '@/server/preparations'
import { Refusal } from '@/server/refusal'
import { may } from '@/server/rights'
import { route } from '@/server/route'
import { structureFormats, type StructureFormat } from '@/server/structures'

export const GET = route(
  { need: 'plan.read', subject: ({ id }: { id: string }) => subjectOfRevision(id) },
  async ({ request, params, actor }) => {
    const wanted = request.nextUrl.searchParams.get('as') ?? 'sdf'
    if (!(wanted in structureFormats))
      throw new Refusal(400, `Structures go out as ${Object.keys(structureFormats).join(', ')}, not as “${wanted}”.`)
    const { type, write } = structureFormats[wanted as StructureFormat]
    const draftsToo = may(actor, 'plan.write', await subjectOfRevision(params.id))
    const { title, number, text } = await planTextOf(params.id, draftsToo)
    return new Response(write(readPlanFile(text)), {
      headers: {
        'content-type': `${type}; charset=utf-8`,
        'content-disposition': `attachment; filename="${fileName(title)}-${number}.${wanted}"`,
      },
    })
  },
)
