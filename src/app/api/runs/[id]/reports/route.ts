import { addReport, reportSchema } from '@/server/files'
import { addressOf, route } from '@/server/route'
import { subjectOfRun } from '@/server/runs'

/** Takes the table of a printed report, typed by the group or by staff. */
export const POST = route(
  { need: 'file.describe', subject: ({ id }: { id: string }, people) => subjectOfRun(id, people), body: reportSchema },
  async ({ params, body, actor, request }) => addReport(params.id, body.text, actor!, addressOf(request)),
)
