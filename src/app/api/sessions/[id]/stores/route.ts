import { mixed, object, string } from 'yup'
import { checkedRecord, recordKinds, type RecordKind } from '@/core/stores/record'
import { moveBottle } from '@/server/bottleMoves'
import { personOf, route } from '@/server/route'
import { storesRecords, tickBefore, writeRecord } from '@/server/stores'
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
    if (kind === 'tick' && 'done' in checked) {
      const before = await tickBefore(params.id, item)
      const back = before?.done ? before.from : []
      for (const { bottle, take } of checked.done ? checked.from : [])
        await moveBottle(bottle, { kind: 'set out', by: -take, session: params.id }, person)
      for (const { bottle, take } of back) await moveBottle(bottle, { kind: 'came back', by: take, session: params.id }, person)
    }
    await writeRecord({ course: about!.course, session: params.id, kind, item, body: checked }, person)
    return { records: await storesRecords(params.id) }
  },
)
