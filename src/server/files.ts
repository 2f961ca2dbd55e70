import type { FileView } from '@/views/files'
import { thisMoment } from './clock'
import { createHash } from 'node:crypto'
import type { WhereOptions } from 'sequelize'
import { ulid } from 'ulid'
import { array, boolean, number, object, string } from 'yup'
import { foldRun } from '@/core/run/foldRun'
import { matchSlot } from '@/core/traces/matchSlot'
import { mostPeaks, readPeakTable, withSaid, type SaidAnew, type TraceReading } from '@/core/traces/report'
import { writeJcamp } from '@/core/traces/writeJcamp'
import type { TraceKind } from '@/core/traces/trace'
import { transacted } from '@/data/connect'
import { InstrumentFile, MarkRow, Run, User } from '@/data/models'
import { takeTurn } from '@/data/turns'
import type { Actor, Subject } from './rights'
import { record } from './deeds'
import { Refusal } from './refusal'
import { sessionOfResults } from './releases'
import { readTraceApart } from './apart/readTraceApart'
import type { TraceHead } from './apart/traceProcess'
import { subjectOfSession, viewSession, type SessionView } from './sessions'

/** As many files as a session may hold: several for each of sixty benches. */
const mostFiles = 400

export const fileSchema = object({
  name: string().trim().min(1).max(120).required(),
  content: string().min(1, 'the file is empty').max(1_900_000, 'the file is too large: at most 1.9 MB are taken').required(),
}).noUnknown()

const text = () => string().max(60).defined()

export const readingSchema = object({
  run: string().max(26).nullable().optional(),
  reading: object({
    peaks: array(
      object({
        name: text(),
        response: number().strict().moreThan(0).max(1000).required(),
        left: boolean().strict().required(),
      }).noUnknown(),
    )
      .max(mostPeaks)
      .nullable()
      .optional(),
    typed: array(object({ at: number().strict().required(), area: number().strict().min(0).required() }).noUnknown())
      .max(mostPeaks)
      .nullable()
      .optional(),
    shifts: array(object({ ppm: text(), protons: text(), form: text(), what: text() }).noUnknown())
      .max(40)
      .nullable()
      .optional(),
  })
    .noUnknown()
    .optional(),
}).noUnknown()

/** A printed report, as it is typed or pasted. */
export const reportSchema = object({
  text: string().min(1, 'the report is empty').max(20_000, 'the report is too long: its table is enough').required(),
}).noUnknown()

/** The slots that a session's groups have written for their vials. */
function slotsOfRuns(view: SessionView): { id: string; bench: number; slots: string[] }[] {
  return view.runs.map(({ id, bench, scale, entries }) => ({
    id,
    bench,
    slots: foldRun(view.plan, scale, entries).steps.flatMap(({ earlier, standing }) =>
      [...earlier, ...standing].flatMap((entry) => (entry.kind === 'note' ? [entry.body.text] : [])),
    ),
  }))
}

/** Takes a file of an instrument: it is read before it is kept, and finds its run by the slot of the vial. @throws Refusal 400 with what is wrong with it, 409 where it is here already */
export async function addFile(
  session: string,
  { name, content }: { name: string; content: string },
  person: string,
  from: string,
  now = thisMoment(),
): Promise<{ id: string; run: string | null }> {
  const head = await readTraceApart(content, name)
  const view = await viewSession(session, false)
  const match = matchSlot([name, head.title], slotsOfRuns(view))
  const about = { run: match?.run ?? null, slot: match?.slot ?? '', addedBy: person }
  const id = await keep(sessionOfResults(view), { name, content, ...head, ...about }, now)
  const { course } = await subjectOfSession(session)
  await record({ what: 'added an instrument file', person, course, about: { session, file: id }, from }, now)
  return { id, run: about.run }
}

/** Takes the table of a printed report for a run, typed by the group or by staff: it is kept as a file of peaks that says what it is. @throws Refusal 400, 409 */
export async function addReport(
  run: string,
  text: string,
  actor: Actor,
  from: string,
  now = thisMoment(),
): Promise<{ id: string }> {
  const peaks = readPeakTable(text)
  if (typeof peaks === 'string') throw new Refusal(400, peaks)
  const found = await Run.findByPk(run)
  if (!found) throw new Refusal(404, 'There is no such run.')
  await notHandedBack(run, actor)
  const view = await viewSession(found.session, false)
  const bench = view.runs.find(({ id }) => id === run)!.bench
  const ascending = peaks.toSorted((a, b) => a.at - b.at)
  const head = { kind: 'chromatogram', title: `typed from a printed report, bench ${bench}`, simulated: false } as const
  const content = writeJcamp({
    ...head,
    ...{ xUnit: 'MINUTES', yUnit: 'AREA', peaksOnly: true },
    x: ascending.map(({ at }) => at),
    y: ascending.map(({ area }) => area),
  })
  const person = actor.kind === 'user' ? actor.id : null
  const name = `printed report bench ${bench}.jdx`
  const id = await keep(sessionOfResults(view), { name, content, ...head, run, slot: '', addedBy: person }, now)
  if (person) {
    const { course } = await subjectOfSession(found.session)
    await record({ what: 'added an instrument file', person, course, about: { session: found.session, file: id }, from }, now)
  }
  return { id }
}

/** Writes a file that was read. @throws Refusal 409 where it is here already, or the session is full */
async function keep(
  session: string,
  file: TraceHead & { name: string; content: string; run: string | null; slot: string; addedBy: string | null },
  now: Date,
): Promise<string> {
  const digest = createHash('sha256').update(file.content).digest('hex')
  if ((await InstrumentFile.count({ where: { session, digest } })) > 0)
    throw new Refusal(409, `${file.name}: this file is here already.`)
  if ((await InstrumentFile.count({ where: { session } })) >= mostFiles)
    throw new Refusal(409, `A session holds at most ${mostFiles} files.`)
  const id = ulid(now.getTime())
  await InstrumentFile.create({ id, session, digest, addedAt: now, ...file })
  return id
}

/** What was handed back is judged as it was: a group says nothing more of it. @throws Refusal 409 */
async function notHandedBack(run: string | null | undefined, actor: Actor): Promise<void> {
  if (actor.kind !== 'bench' || !run) return
  const mark = await MarkRow.findByPk(run)
  if (mark?.handedBackAt) throw new Refusal(409, 'Your work was handed back: what you say of your files stays as it was judged.')
}

/** The files of a session; one that cannot be read any more is left out of the list and never takes the page down. */
export const filesOf = async (view: SessionView): Promise<FileView[]> => shown({ session: sessionOfResults(view) })

/** The files of one run. */
export const filesOfRun = async (run: string): Promise<FileView[]> => shown({ run })

/** What a file says of itself stands beside it since it was read; one that came before it did, or by another way, is read once. */
async function headOf(row: InstrumentFile): Promise<TraceHead | null> {
  if (row.kind !== null && row.kind !== undefined)
    return row.kind === '' ? null : { kind: row.kind as TraceKind, title: row.title ?? '', simulated: row.simulated ?? false }
  const { content } = await fileOf(row.id)
  const head = await readTraceApart(content, row.name).catch((error: Refusal) => {
    if (error.status !== 400) throw error
    return null
  })
  await InstrumentFile.update(head ?? { kind: '' }, { where: { id: row.id } })
  return head
}

async function shown(where: WhereOptions<InstrumentFile>): Promise<FileView[]> {
  const rows = await InstrumentFile.findAll({ where, attributes: { exclude: ['content'] }, order: [['id', 'ASC']] })
  const ids = rows.flatMap(({ addedBy }) => addedBy ?? [])
  const people = await User.findAll({ where: { id: ids }, attributes: ['id', 'name'] })
  const heads = await Promise.all(rows.map(headOf))
  return rows.flatMap((row, index) => {
    const head = heads[index]
    if (!head) return []
    return [
      {
        id: row.id,
        name: row.name,
        ...head,
        slot: row.slot,
        run: row.run ?? null,
        reading: JSON.parse(row.reading) as TraceReading,
        addedBy: row.addedBy === null ? 'the group' : (people.find(({ id }) => id === row.addedBy)?.name ?? 'somebody'),
        addedAt: row.addedAt.toISOString(),
      },
    ]
  })
}

const fileOf = async (id: string): Promise<InstrumentFile> => {
  const row = await InstrumentFile.findByPk(id)
  if (!row) throw new Refusal(404, 'There is no such file.')
  return row
}

/** The course behind a file, and the run that it is of. */
export async function subjectOfFile({ id }: { id: string }): Promise<Subject> {
  const { session, run } = await fileOf(id)
  return { ...(await subjectOfSession(session)), ...(run ? { run } : {}) }
}

/** A file as it came. */
export async function contentOf(id: string): Promise<{ name: string; content: string }> {
  const { name, content } = await fileOf(id)
  return { name, content }
}

/** Says whose a file is, and what its peaks are; a group says it of its own files. @throws Refusal 400 for a run of another session, 403 for a group that gives a file away, 409 after marks were handed back */
export async function describeFile(
  id: string,
  { run, reading }: { run?: string | null | undefined; reading?: SaidAnew | undefined },
  actor: Actor,
): Promise<void> {
  const row = await fileOf(id)
  await notHandedBack(row.run, actor)
  if (run !== undefined && actor.kind === 'bench') throw new Refusal(403, 'Whose a file is, staff say.')
  if (run) {
    const view = await viewSession(row.session, false)
    if (!view.runs.some((each) => each.id === run)) throw new Refusal(400, 'This bench is not of the session.')
  }
  const by = actor.kind === 'user' ? actor.name : 'the group'
  // Two may say something of one file at once: each adds to what stands then.
  await transacted(async (transaction) => {
    await takeTurn('instrument_file', id, transaction)
    const now = await InstrumentFile.findByPk(id, { transaction, rejectOnEmpty: true })
    await now.update(
      {
        ...(run === undefined ? {} : { run }),
        ...(reading === undefined
          ? {}
          : { reading: JSON.stringify(withSaid(JSON.parse(now.reading) as TraceReading, reading, by)) }),
      },
      { transaction },
    )
  })
}

/** Takes a file away. */
export async function removeFile(id: string, person: string, from: string): Promise<void> {
  const row = await fileOf(id)
  const { course } = await subjectOfSession(row.session)
  await row.destroy()
  await record({ what: 'removed an instrument file', person, course, about: { session: row.session, file: id }, from })
}
