import { documentAsItStands } from '@/server/preparations'
import { subjectOfRevision } from '@/server/revisions'
import { route } from '@/server/route'

/** The bytes of a revision as they stand, for an owner whose document cannot be read. */
export const GET = route(
  { need: 'plan.write', subject: ({ id }: { id: string }) => subjectOfRevision(id) },
  async ({ params }) =>
    new Response(await documentAsItStands(params.id), {
      headers: { 'content-type': 'text/plain; charset=utf-8', 'content-disposition': 'attachment; filename="document.txt"' },
    }),
)
