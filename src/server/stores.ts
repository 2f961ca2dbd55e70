import type { StoresGroup } from '@/views/stores'
import { thisMoment } from './clock'
import { Op, QueryTypes } from 'sequelize'
import { ulid } from 'ulid'
import { ValidationError } from 'yup'
import type { Plan } from '@/core/plan/plan'
import { roomOf, type Lab } from '@/core/lab/lab'
import { checkedRecord, isRecordKind, type Body, type DayPlan, type RecordKind, type StoresRecord } from '@/core/stores/record'
import { database } from '@/data/connect'
import { Run, RunDay, StoresRecordRow } from '@/data/models'
import { planOfRevision } from './documents'
import { sessionHead, type SessionHead } from './sessions'

/** A session as the stores see it: what is done, and by whom. Nothing of what was written at the benches. */
export interface StoresSession extends SessionHead {
  plan: Plan
  groups: StoresGroup[]
}

/** @throws Refusal 404, UnreadableDocument */
export async function storesSession(id: string): Promise<StoresSession> {
  const head = await sessionHead(id)
  const where =
    head.goesOnFrom === null ? { session: id } : { id: (await RunDay.findAll({ where: { session: id } })).map(({ run }) => run) }
  const [plan, runs] = await Promise.all([planOfRevision(head.revision.id), Run.findAll({ where, order: [['bench', 'ASC']] })])
  return { ...head, plan, groups: runs.map(({ id: run, bench, members, scale }) => ({ run, bench, members, scale })) }
}

/** The plan of a session alone. */
export const planOfSession = async (id: string): Promise<Plan> => planOfRevision((await sessionHead(id)).revision.id)

interface Row {
  kind: string
  item: string
  body: string
  at: Date | string
  person: string
}

/** The newest record of each item of a session, the oldest first. One that cannot be read any more is left out. */
export async function storesRecords(session: string): Promise<StoresRecord[]> {
  const rows = await database().query<Row>(
    `SELECT r.kind, r.item, r.body, r.at, u.name AS person FROM stores_record r LEFT JOIN user u ON u.id = r.person
     WHERE r.session = :session AND r.kind <> 'timetable' ORDER BY r.id`,
    { replacements: { session }, type: QueryTypes.SELECT },
  )
  const newest = new Map<string, StoresRecord>()
  for (const { kind, item, body, at, person } of rows) {
    const read = isRecordKind(kind) ? readable(kind, body) : undefined
    const key = `${kind} ${item}`
    // What was written last stands last.
    newest.delete(key)
    if (read) newest.set(key, { kind: kind as RecordKind, item, body: read, at: new Date(at).toISOString(), by: person ?? '' })
  }
  return [...newest.values()]
}

function readable(kind: RecordKind, body: string) {
  try {
    return checkedRecord(kind, JSON.parse(body))
  } catch (error) {
    if (error instanceof ValidationError || error instanceof SyntaxError) return undefined
    throw error
  }
}

/** The last record of an item of a session, or the last before one of them. */
export async function lastRecord<K extends RecordKind>(
  session: string,
  kind: K,
  item: string,
  before?: string,
): Promise<Body<K> | undefined> {
  const row = await StoresRecordRow.findOne({
    where: { session, kind, item, ...(before === undefined ? {} : { id: { [Op.lt]: before } }) },
    order: [['id', 'DESC']],
  })
  return row ? (readable(kind, row.body) as Body<K> | undefined) : undefined
}

export async function writeRecord(
  { course, session, kind, item, body }: { course: string; session: string; kind: RecordKind; item: string; body: object },
  person: string,
  at = thisMoment(),
): Promise<string> {
  const id = ulid(at.getTime())
  await StoresRecordRow.create({ id, course, session, kind, item, body: JSON.stringify(body), at, person })
  return id
}

/** How many there are of each station for a session: as somebody has said it for the day, else as its room has it; of melting-point apparatus else as many as the laboratory has checked. */
export function countsFor(lab: Lab, room: string, { counts }: DayPlan): Record<string, number> {
  const known = roomOf(lab, room)
  return {
    ...(lab.instruments.length > 0 && !known ? { 'melting-point apparatus': lab.instruments.length } : {}),
    ...Object.fromEntries((known?.stations ?? []).map(({ name, count }) => [name, count])),
    ...Object.fromEntries(counts.map(({ name, count }) => [name, count])),
  }
}
