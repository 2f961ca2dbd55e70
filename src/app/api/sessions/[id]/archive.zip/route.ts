import { archiveOf } from '@/server/archive'
import { route } from '@/server/route'
import { subjectOfSession } from '@/server/sessions'

/** A session whole, as an RO-Crate. */
export const GET = route(
  {
    need: 'run.read',
    subject: ({ id }: { id: string }) => subjectOfSession(id),
    deed: 'exported an archive',
    token: {
      right: 'archives.read',
      says: 'A session whole: plan, logs, results and how they were reached, as an RO-Crate with checksums.',
      answers: { type: 'application/zip' },
    },
  },
  async ({ params }) => {
    const { name, bytes } = await archiveOf(params.id)
    return new Response(bytes.slice().buffer, {
      headers: { 'content-type': 'application/zip', 'content-disposition': `attachment; filename="${name}"` },
    })
  },
)
