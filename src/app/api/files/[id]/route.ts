import type { SaidAnew } from '@/core/traces/report'
import { describeFile, readingSchema, removeFile, subjectOfFile } from '@/server/files'
import { addressOf, personOf, route } from '@/server/route'

/** Says whose a file is, and what its peaks are. */
export const PUT = route(
  { need: 'file.describe', subject: (params: { id: string }) => subjectOfFile(params), body: readingSchema },
  async ({ params, body, actor }) =>
    describeFile(params.id, { run: body.run, reading: body.reading as SaidAnew | undefined }, actor!),
)

/** Takes a file away. */
export const DELETE = route(
  { need: 'run.sign', subject: (params: { id: string }) => subjectOfFile(params) },
  async ({ params, actor, request }) => removeFile(params.id, personOf(actor).id, addressOf(request)),
)
