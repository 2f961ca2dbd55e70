import { writePlanFile } from '@/core/format/planFile'
import { fileName, planToWrite } from '@/server/preparations'
import { subjectOfRevision } from '@/server/revisions'
import { route } from '@/server/route'

export const GET = route(
  { need: 'plan.read', subject: ({ id }: { id: string }) => subjectOfRevision(id) },
  async ({ params, actor }) => {
    const { title, number, plan } = await planToWrite(params.id, actor)
    return new Response(writePlanFile(plan), {
      headers: {
        'content-type': 'application/json; charset=utf-8',
        'content-disposition': `attachment; filename="${fileName(title)}-${number}.mozle.json"`,
      },
    })
  },
)
