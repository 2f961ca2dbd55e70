import { archiveResponse } from '@/server/apart/exported'
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
  ({ params }) => archiveResponse(params.id),
)
