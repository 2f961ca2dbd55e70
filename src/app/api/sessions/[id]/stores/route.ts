import { mixed, object, string } from 'yup'
import { checkedRecord, recordKinds, type RecordKind } from '@/core/stores/record'
import { personOf, route } from '@/server/route'
import { storesRecords } from '@/server/stores'
import { writeAndMove } from '@/server/storesMoves'
import { subjectOfSession } from '@/server/sessions'

const subject = ({ id }: { id: string }) => subjectOfSession(id)

/** What was written down for a session so far. */
export const GET = route({ need: 'session.read', subject }, async ({ params }) => ({ records: await storesRecords(params.id) }))

/** Writes one thing down. What is ticked as set out leaves its bottles, and comes back to them where the tick is taken away. */
export const POST = route(
  {
    need: 'shelf.write',
    subject,
    body: object({
      kind: string<RecordKind>()
        .oneOf([...recordKinds])
        .required(),
      item: string().max(400).defined(),
      body: mixed<object>().required(),
    }),
  },
  async ({ params, body: { kind, item, body }, about, actor }) => {
    const person = personOf(actor).id
    const checked = checkedRecord(kind, body)
    await writeAndMove({ course: about!.course, session: params.id, kind, item, body: checked }, person)
    return { records: await storesRecords(params.id) }
  },
)
