import { addFile, fileSchema } from '@/server/files'
import { addressOf, personOf, route } from '@/server/route'
import { subjectOfSession } from '@/server/sessions'

/** Takes a file of an instrument. */
export const POST = route(
  { need: 'run.sign', subject: ({ id }: { id: string }) => subjectOfSession(id), body: fileSchema },
  async ({ params, body, actor, request }) => addFile(params.id, body, personOf(actor).id, addressOf(request)),
)
