import { createHash } from 'node:crypto'
import { ulid } from 'ulid'
import { array, boolean, number, object, string } from 'yup'
import { foldRun } from '@/core/run/foldRun'
import { matchSlot } from '@/core/traces/matchSlot'
import { readTrace } from '@/core/traces/readTrace'
import { mostPeaks, type TraceReading } from '@/core/traces/report'
import type { TraceKind } from '@/core/traces/trace'
import { InstrumentFile, User } from '@/data/models'
import { record } from './deeds'
import { Refusal } from './refusal'
import { sessionOfResults } from './releases'
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
      .optional(),
    typed: array(object({ at: number().strict().required(), area: number().strict().min(0).required() }).noUnknown())
      .max(mostPeaks)
      .optional(),
    shifts: array(object({ ppm: text(), protons: text(), form: text(), what: text() }).noUnknown())
      .max(40)
      .optional(),
  })
    .noUnknown()
    .optional(),
}).noUnknown()

export interface FileView {
  id: string
  name: string
  kind: TraceKind
  title: string
  simulated: boolean
  slot: string
  run: string | null
  reading: TraceReading
  addedBy: string
  addedAt: string
}

/** The slots that a session's groups have written for their vials. */
export function slotsOfRuns(view: SessionView): { id: string; slots: string[] }[] {
  return view.runs.map(({ id, scale, entries }) => ({
    id,
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
  now = new Date(),
): Promise<{ id: string; run: string | null }> {
  const read = readTrace(content, name)
  if (!read.ok) throw new Refusal(400, `${name}: ${read.problem}`)
  const view = await viewSession(session, false)
  const first = sessionOfResults(view)
  const digest = createHash('sha256').update(content).digest('hex')
  if ((await InstrumentFile.count({ where: { session: first, digest } })) > 0)
    throw new Refusal(409, `${name}: this file is here already.`)
  if ((await InstrumentFile.count({ where: { session: first } })) >= mostFiles)
    throw new Refusal(409, `A session holds at most ${mostFiles} files.`)
  const match = matchSlot([name, read.value.title], slotsOfRuns(view))
  const id = ulid(now.getTime())
  await InstrumentFile.create({
    ...{ id, session: first, name, content, digest },
    run: match?.run ?? null,
    slot: match?.slot ?? '',
    addedAt: now,
    addedBy: person,
  })
  const { course } = await subjectOfSession(session)
  await record({ what: 'added an instrument file', person, course, about: { session: first, file: id }, from }, now)
  return { id, run: match?.run ?? null }
}

/** The files of a session; one that cannot be read any more is left out of the list and never takes the page down. */
export async function filesOf(view: SessionView): Promise<FileView[]> {
  const rows = await InstrumentFile.findAll({ where: { session: sessionOfResults(view) }, order: [['id', 'ASC']] })
  const people = await User.findAll({ where: { id: rows.map(({ addedBy }) => addedBy) }, attributes: ['id', 'name'] })
  return rows.flatMap((row) => {
    const read = readTrace(row.content, row.name)
    if (!read.ok) return []
    const { kind, title, simulated } = read.value
    return [
      {
        id: row.id,
        name: row.name,
        ...{ kind, title, simulated },
        slot: row.slot,
        run: row.run ?? null,
        reading: JSON.parse(row.reading) as TraceReading,
        addedBy: people.find(({ id }) => id === row.addedBy)?.name ?? 'somebody',
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

/** The course behind a file. */
export const subjectOfFile = async ({ id }: { id: string }) => subjectOfSession((await fileOf(id)).session)

/** A file as it came. */
export async function contentOf(id: string): Promise<{ name: string; content: string }> {
  const { name, content } = await fileOf(id)
  return { name, content }
}

/** Says whose a file is, and what its peaks are. @throws Refusal 400 for a run of another session */
export async function describeFile(
  id: string,
  { run, reading }: { run?: string | null | undefined; reading?: TraceReading | undefined },
): Promise<void> {
  const row = await fileOf(id)
  if (run) {
    const view = await viewSession(row.session, false)
    if (!view.runs.some((each) => each.id === run)) throw new Refusal(400, 'This bench is not of the session.')
  }
  await row.update({
    ...(run === undefined ? {} : { run }),
    ...(reading === undefined ? {} : { reading: JSON.stringify(reading) }),
  })
}

/** Takes a file away. */
export async function removeFile(id: string, person: string, from: string): Promise<void> {
  const row = await fileOf(id)
  const { course } = await subjectOfSession(row.session)
  await row.destroy()
  await record({ what: 'removed an instrument file', person, course, about: { session: row.session, file: id }, from })
}
