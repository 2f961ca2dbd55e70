import type { Body, RecordKind } from '@/core/stores/record'
import { moveBottle } from './bottleMoves'
import { Refusal } from './refusal'
import { lastRecord, writeRecord } from './stores'

interface Written {
  course: string
  session: string
  kind: RecordKind
  item: string
  body: Body<RecordKind>
}

/**
 * Writes something down and moves what it says. A tick is written first, and gives back what the tick before it took out: of two people who tick one thing in the same moment one takes it out. Where a bottle has not so much, the tick is taken away again.
 * @throws Refusal as moveFor
 */
export async function writeAndMove(written: Written, person: string): Promise<void> {
  const { session, kind, item } = written
  if (kind !== 'tick') {
    await moveFor(session, written, person)
    await writeRecord(written, person)
    return
  }
  const record = await writeRecord(written, person)
  try {
    await moveFor(session, written, person, record)
  } catch (error) {
    const before = await lastRecord(session, 'tick', item, record)
    await writeRecord({ ...written, body: before ?? { ...(written.body as Body<'tick'>), done: false } }, person)
    throw error
  }
}

/**
 * Moves what a record says out of its bottles, or back into them. What is ticked as set out leaves them, and comes back where the tick is taken away; what is left over afterwards goes back once.
 * @param record the tick itself, where it is written already
 * @throws Refusal 409 where a bottle has not so much, or where it was settled before
 */
export async function moveFor(
  session: string,
  { kind, item, body }: { kind: RecordKind; item: string; body: Body<RecordKind> },
  person: string,
  record?: string,
): Promise<void> {
  if (kind === 'tick') {
    const tick = body as Body<'tick'>
    const before = await lastRecord(session, 'tick', item, record)
    for (const { bottle, take } of tick.done ? tick.from : [])
      await moveBottle(bottle, { kind: 'set out', by: -take, session }, person)
    for (const { bottle, take } of before?.done ? before.from : [])
      await moveBottle(bottle, { kind: 'came back', by: take, session }, person)
  }
  if (kind === 'settled') {
    const { how, moves } = body as Body<'settled'>
    if (await lastRecord(session, 'settled', item))
      throw new Refusal(409, 'This was settled already. Count the bottle again where that was wrong.')
    for (const { bottle, amount } of moves)
      await moveBottle(
        bottle,
        how === 'back' ? { kind: 'came back', by: amount, session } : { kind: 'charged', by: -amount, session },
        person,
      )
  }
}
