import { tableCsv } from '@/core/format/tableCsv'
import { fileName, planToWrite } from '@/server/preparations'
import { subjectOfRevision } from '@/server/revisions'
import { route } from '@/server/route'

export const GET = route(
  { need: 'plan.read', subject: ({ id }: { id: string }) => subjectOfRevision(id) },
  async ({ params, actor }) => {
    const { title, number, plan } = await planToWrite(params.id, actor)
    return new Response(tableCsv(plan), {
      headers: {
        'content-type': 'text/csv; charset=utf-8',
        'content-disposition': `attachment; filename="${fileName(title)}-${number}-table.csv"`,
      },
    })
  },
)
