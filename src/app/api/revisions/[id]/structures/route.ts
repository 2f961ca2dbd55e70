import { fileName, planToWrite } from '@/server/preparations'
import { subjectOfRevision } from '@/server/revisions'
import { Refusal } from '@/server/refusal'
import { route } from '@/server/route'
import { structureFormats, type StructureFormat } from '@/server/structures/structures'

export const GET = route(
  { need: 'plan.read', subject: ({ id }: { id: string }) => subjectOfRevision(id) },
  async ({ request, params, actor }) => {
    const wanted = request.nextUrl.searchParams.get('as') ?? 'sdf'
    if (!Object.hasOwn(structureFormats, wanted))
      throw new Refusal(400, `Structures go out as ${Object.keys(structureFormats).join(', ')}, not as “${wanted}”.`)
    const { type, write } = structureFormats[wanted as StructureFormat]
    const { title, number, plan } = await planToWrite(params.id, actor)
    return new Response(await write(plan), {
      headers: {
        'content-type': `${type}; charset=utf-8`,
        'content-disposition': `attachment; filename="${fileName(title)}-${number}.${wanted}"`,
      },
    })
  },
)
