import { thisMoment } from './clock'
import { array, number, object, string } from 'yup'
import { resultsOf, type ResultRow } from '@/core/classroom/classResults'
import { problemWithMark, type Mark } from '@/core/marking/mark'
import { proposalsFor, type Proposal } from '@/core/marking/proposal'
import { criterionKeys, problemWithScheme, usualScheme, type Criterion, type Scheme } from '@/core/marking/scheme'
import { marksCsv } from '@/core/format/marksCsv'
import { MarkingRow, MarkRow, Run, User } from '@/data/models'
import { dayIn } from './day'
import { record } from './deeds'
import { Refusal } from './refusal'
import { sessionOfResults } from './releases'
import { subjectOfSession, viewSession, type SessionView } from './sessions'
import { foldedClass } from './foldedClass'

const eachCriterion = <T>(make: () => T) => Object.fromEntries(criterionKeys.map((key) => [key, make()])) as Record<Criterion, T>

export const schemeSchema = object({
  points: object(eachCriterion(() => number().strict().required().min(0).max(100)))
    .noUnknown()
    .required(),
  bands: array(object({ from: number().strict().required(), part: number().strict().required() }).noUnknown())
    .max(10)
    .required(),
}).noUnknown()

export const markSchema = object({
  points: object(eachCriterion(() => number().strict().min(0).max(100).optional()))
    .noUnknown()
    .required(),
  comments: object(eachCriterion(() => string().max(1000).optional()))
    .noUnknown()
    .required(),
  comment: string().max(2000).defined(),
}).noUnknown()

export interface Marked {
  run: string
  bench: number
  members: string
  names: string[]
  proposals: Proposal[]
  mark: Mark | null
  decidedBy: string | null
  handedBackAt: string | null
  row: Pick<ResultRow, 'result' | 'judgement'>
}

/** The scheme of a session: its own, or a usual one. */
async function schemeOf(session: string): Promise<Scheme> {
  const row = await MarkingRow.findByPk(session)
  return row ? (JSON.parse(row.document) as Scheme) : usualScheme
}

/** Everything of a session that is judged, with what the record proposes. */
export async function marksOf(view: SessionView): Promise<{ scheme: Scheme; marked: Marked[] }> {
  const scheme = await schemeOf(sessionOfResults(view))
  const folded = await foldedClass(view.plan, view.runs)
  const results = resultsOf(view.plan, folded)
  const rows = await MarkRow.findAll({ where: { run: view.runs.map(({ id }) => id) } })
  const people = await User.findAll({ where: { id: rows.map(({ decidedBy }) => decidedBy) }, attributes: ['id', 'name'] })
  return {
    scheme,
    marked: view.runs.map((run, index) => {
      const row = rows.find((each) => each.run === run.id)
      return {
        run: run.id,
        bench: run.bench,
        members: run.members,
        names: run.people.flatMap(({ name }) => name ?? []),
        proposals: proposalsFor(folded[index]!, results.rows[index]!, results, scheme),
        mark: row ? (JSON.parse(row.document) as Mark) : null,
        decidedBy: row ? (people.find(({ id }) => id === row.decidedBy)?.name ?? 'somebody') : null,
        handedBackAt: row?.handedBackAt?.toISOString() ?? null,
        row: { result: results.rows[index]!.result, judgement: results.rows[index]!.judgement },
      }
    }),
  }
}

/** Sets what is judged in a session. @throws Refusal 400 for a scheme that cannot be, 409 where marks were handed back under the one before */
export async function setScheme(session: string, scheme: Scheme, person: string, now = thisMoment()): Promise<void> {
  const problem = problemWithScheme(scheme)
  if (problem) throw new Refusal(400, problem)
  const view = await viewSession(session, false)
  const handed = await MarkRow.count({ where: { run: view.runs.map(({ id }) => id) } })
  const given = await MarkRow.findAll({ where: { run: view.runs.map(({ id }) => id) } })
  if (handed > 0)
    for (const row of given) {
      const wrong = problemWithMark(JSON.parse(row.document) as Mark, scheme)
      if (wrong || row.handedBackAt)
        throw new Refusal(
          409,
          row.handedBackAt
            ? 'Marks were handed back under this scheme: it stays as it is.'
            : `A mark was given already that this does not allow. ${wrong}`,
        )
    }
  await MarkingRow.upsert({
    session: sessionOfResults(view),
    document: JSON.stringify(scheme),
    changedAt: now,
    changedBy: person,
  })
}

/** What a person decides for a run; a mark that was handed back is decided anew and handed back again. @throws Refusal */
export async function decide(run: string, mark: Mark, person: string, from: string, now = thisMoment()): Promise<void> {
  const found = await Run.findByPk(run)
  if (!found) throw new Refusal(404, 'There is no such run.')
  const problem = problemWithMark(mark, await schemeOf(found.session))
  if (problem) throw new Refusal(400, problem)
  const { course } = await subjectOfSession(found.session)
  await MarkRow.upsert({ run, document: JSON.stringify(mark), decidedAt: now, decidedBy: person, handedBackAt: null })
  await record({ what: 'marked work', person, course, about: { run }, from }, now)
}

/** Hands back what is decided: the group reads it with its code for reading. @throws Refusal 409 where nothing is to be handed back */
export async function handBack(session: string, person: string, from: string, now = thisMoment()): Promise<number> {
  const view = await viewSession(session, false)
  const { course } = await subjectOfSession(session)
  const [count] = await MarkRow.update(
    { handedBackAt: now },
    { where: { run: view.runs.map(({ id }) => id), handedBackAt: null } },
  )
  if (count === 0) throw new Refusal(409, 'Nothing is decided that was not handed back.')
  await record({ what: 'handed work back', person, course, about: { session }, from }, now)
  return count
}

/** What was handed back to a run; null where nothing was. */
export async function handedBackTo(run: string): Promise<{ scheme: Scheme; mark: Mark } | null> {
  const [row, found] = await Promise.all([MarkRow.findByPk(run), Run.findByPk(run)])
  if (!row?.handedBackAt || !found) return null
  return { scheme: await schemeOf(found.session), mark: JSON.parse(row.document) as Mark }
}

/** The marks of a session as a file for a college's own system. */
export async function marksFile(session: string): Promise<{ name: string; text: string }> {
  const view = await viewSession(session, false)
  const { scheme, marked } = await marksOf(view)
  const name = `marks ${view.title} ${view.section} ${dayIn(view.zone, new Date(view.startsAt))}`
    .toLowerCase()
    .replace(/[^a-z0-9-]+/g, '-')
  return {
    name: `${name}.csv`,
    text: marksCsv(
      marked.map(({ bench, names, mark }) => ({ bench, members: names, mark })),
      scheme,
    ),
  }
}
