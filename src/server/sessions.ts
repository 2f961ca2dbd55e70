import { thisMoment } from './clock'
import { Op, QueryTypes } from 'sequelize'
import { substanceOf, type Plan } from '@/core/plan/plan'
import { madeLine } from '@/core/edit/sequence'
import { days, lengthOf } from '@/core/plan/duration'
import { computedLine, reactionTable } from '@/core/reaction/reactionTable'
import { database } from '@/data/connect'
import { readEntries, type NumberedEntry } from '@/data/entries'
import { LabSession, Preparation, Revision, Run, RunDay, Section, StudentGroup } from '@/data/models'
import { planOfRevision, readDocument, UnreadableDocument } from './documents'
import { Refusal } from './refusal'
import { earlierProducts, type Earlier } from './sequences'
import type { Subject } from './rights'
import { presence } from './students'

export interface RunView {
  id: string
  bench: number
  members: string
  group: string
  /** Who belongs to it, and who is not there. */
  people: { id: string; name: string | null; absent: boolean }[]
  scale: number
  /** Only for those who may hand it out. */
  code: string | null
  /** What opens the run to read, also after the session; only for those who may hand codes out. */
  readCode: string | null
  /** What the group weighed of the preparations before, the nearest first, where this one goes on from another. */
  before: Earlier[]
  entries: NumberedEntry[]
}

export interface SessionHead {
  id: string
  course: string
  title: string
  section: string
  startsAt: string
  endsAt: string
  room: string
  benches: number
  /** The session whose runs go on here; null for one with runs of its own. */
  goesOnFrom: string | null
  cancelled: boolean
  /** When another day of the same work would have begun that is cancelled; null where none is. */
  otherDayCancelled: string | null
  reason: string | null
  revision: { id: string; preparation: string; number: number; state: 'published' | 'superseded' }
  zone: string
}

export interface SessionView extends SessionHead {
  plan: Plan
  /** Every day of these runs, this one among them. */
  days: SessionHead[]
  runs: RunView[]
}

export async function subjectOfSession(id: string): Promise<Subject> {
  const session = await LabSession.findByPk(id)
  const section = session && (await Section.findByPk(session.section))
  if (!section) throw new Refusal(404, 'There is no such lab session.')
  return { course: section.course }
}

/** Whether the last day of a session's runs is over. */
export async function isOver(id: string, now = thisMoment()): Promise<boolean> {
  const session = await LabSession.findByPk(id, { rejectOnEmpty: true })
  const first = session.goesOnFrom ?? session.id
  const last = await LabSession.max<Date, LabSession>('endsAt', { where: { [Op.or]: [{ id: first }, { goesOnFrom: first }] } })
  return new Date(last) < now
}

/** Ids of the runs of a session. */
export async function runsOfSession(session: string): Promise<string[]> {
  const [own, later] = await Promise.all([
    Run.findAll({ where: { session }, attributes: ['id'] }),
    RunDay.findAll({ where: { session }, attributes: ['run'] }),
  ])
  return [...own.map(({ id }) => id), ...later.map(({ run }) => run)]
}

export async function subjectOfSection(id: string): Promise<Subject> {
  const section = await Section.findByPk(id)
  if (!section) throw new Refusal(404, 'There is no such section.')
  return { course: section.course }
}

interface HeadRow {
  id: string
  course: string
  zone: string
  section: string
  startsAt: Date | string
  endsAt: Date | string
  room: string
  benches: number | bigint
  goesOnFrom: string | null
  cancelledAt: Date | string | null
  otherDayCancelled: Date | string | null
  reason: string | null
  revision: string
  preparation: string
  number: number
  state: 'published' | 'superseded'
  title: string
}

/** The first day of the same work that is cancelled, for a statement in which `l` is a session. */
export const otherDayCancelled = `(SELECT MIN(o.starts_at) FROM lab_session o WHERE o.cancelled_at IS NOT NULL AND o.id <> l.id
  AND (o.goes_on_from = COALESCE(l.goes_on_from, l.id) OR o.id = l.goes_on_from))`

/** Heads of sessions, from columns alone and in one statement. */
async function heads(
  where: string,
  replacements: Record<string, unknown>,
  order = 'l.starts_at ASC, l.id ASC',
): Promise<SessionHead[]> {
  const rows = await database().query<HeadRow>(
    `SELECT l.id, c.id AS course, c.zone, s.name AS section, l.starts_at AS startsAt, l.ends_at AS endsAt, l.room,
       (SELECT COUNT(*) FROM run WHERE run.session = l.id) + (SELECT COUNT(*) FROM run_day WHERE run_day.session = l.id) AS benches,
       l.goes_on_from AS goesOnFrom, l.cancelled_at AS cancelledAt, ${otherDayCancelled} AS otherDayCancelled, l.reason, r.id AS revision, r.preparation, r.number, r.state, r.title
     FROM lab_session l JOIN section s ON s.id = l.section JOIN course c ON c.id = s.course JOIN revision r ON r.id = l.revision
     WHERE ${where} ORDER BY ${order}`,
    { replacements, type: QueryTypes.SELECT },
  )
  return rows.map(
    ({ revision, preparation, number, state, startsAt, endsAt, benches, cancelledAt, otherDayCancelled, ...row }) => ({
      ...row,
      otherDayCancelled: otherDayCancelled && new Date(otherDayCancelled).toISOString(),
      cancelled: cancelledAt !== null,
      startsAt: new Date(startsAt).toISOString(),
      endsAt: new Date(endsAt).toISOString(),
      benches: Number(benches),
      revision: { id: revision, preparation, number, state },
    }),
  )
}

const sessionsOnAPage = 40

/** A page of the sessions of a course, the latest first. */
export async function listSessions(course: string, page = 1): Promise<{ sessions: SessionHead[]; more: boolean }> {
  const from = (Math.max(1, Math.min(page, 10_000)) - 1) * sessionsOnAPage
  const found = await heads(
    'c.id = :course',
    { course },
    `l.starts_at DESC, l.id DESC LIMIT ${sessionsOnAPage + 1} OFFSET ${from}`,
  )
  return { sessions: found.slice(0, sessionsOnAPage), more: found.length > sessionsOnAPage }
}

/** What is on in a course at a moment, the next session after it and the last before. */
export async function sessionsAround(
  course: string,
  at: Date,
): Promise<{ now: SessionHead[]; next: SessionHead | null; last: SessionHead | null }> {
  const [now, next, last] = await Promise.all([
    heads('c.id = :course AND l.cancelled_at IS NULL AND l.starts_at <= :at AND l.ends_at >= :at', { course, at }),
    heads('c.id = :course AND l.cancelled_at IS NULL AND l.starts_at > :at', { course, at }, 'l.starts_at ASC, l.id ASC LIMIT 1'),
    heads(
      'c.id = :course AND l.cancelled_at IS NULL AND l.starts_at <= :at AND l.ends_at < :at',
      { course, at },
      'l.starts_at DESC, l.id DESC LIMIT 1',
    ),
  ])
  return { now, next: next[0] ?? null, last: last[0] ?? null }
}

/** The head of one session. @throws Refusal 404 */
export async function sessionHead(id: string): Promise<SessionHead> {
  const [known] = await heads('l.id = :id', { id })
  if (!known) throw new Refusal(404, 'There is no such lab session.')
  return known
}

/** The head of a session and which groups work in it at which benches. @throws Refusal 404 */
export async function sessionWithRuns(id: string) {
  const known = await sessionHead(id)
  const runs = await Run.findAll({ where: { id: await runsOfSession(id) }, order: [['bench', 'ASC']] })
  return {
    ...known,
    runs: runs.map(({ id: run, studentGroup, bench, scale }) => ({ id: run, group: studentGroup, bench, scale })),
  }
}

/** Sessions of a course that end after a moment and begin before another, the earliest first; cancelled ones are left out. */
export const sessionsBetween = (course: string, from: Date, to: Date): Promise<SessionHead[]> =>
  heads('c.id = :course AND l.cancelled_at IS NULL AND l.ends_at >= :from AND l.starts_at < :to', { course, from, to })

/** A session with its plan, its runs and all their entries, or without these where nothing of them is shown. @throws Refusal 404, UnreadableDocument */
export async function viewSession(id: string, withCodes: boolean, withEntries = true): Promise<SessionView> {
  const known = await sessionHead(id)
  const later = await RunDay.findAll({ where: { session: id } })
  const codeOf = new Map(later.map(({ run, code }) => [run, code]))
  const runs = await Run.findAll({
    where: known.goesOnFrom === null ? { session: id } : { id: [...codeOf.keys()] },
    order: [['bench', 'ASC']],
  })
  const plan = await planOfRevision(known.revision.id)
  const [entries, days, people, before] = await Promise.all([
    readEntries(withEntries ? runs.map((run) => run.id) : []),
    heads('l.id = :first OR l.goes_on_from = :first', { first: known.goesOnFrom ?? id }),
    presence(runs.map((run) => run.id)),
    earlierProducts(
      known.course,
      plan,
      runs.map(({ studentGroup }) => studentGroup),
      new Date(known.startsAt),
    ),
  ])
  return {
    ...known,
    plan,
    days,
    runs: runs.map((run) => ({
      id: run.id,
      before: before[run.studentGroup] ?? [],
      bench: run.bench,
      members: run.members,
      scale: run.scale,
      // A cancelled day has no codes.
      code: withCodes && !known.cancelled ? (codeOf.get(run.id) ?? run.code) : null,
      group: run.studentGroup,
      people: people[run.id] ?? [],
      readCode: withCodes ? (run.readCode ?? null) : null,
      entries: entries[run.id] ?? [],
    })),
  }
}

/** What a session may be set from: sections with their groups, and published revisions. */
export async function sessionChoices(course: string) {
  const sections = await Section.findAll({ where: { course }, order: [['name', 'ASC']] })
  const groups = await StudentGroup.findAll({
    where: { section: sections.map(({ id }) => id), leftAt: null },
    order: [['bench', 'ASC']],
  })
  const preparations = await Preparation.findAll({ where: { course, archivedAt: null } })
  const revisions = await Revision.findAll({ where: { preparation: preparations.map(({ id }) => id), state: 'published' } })
  const plans: { id: string; number: number; plan: Plan }[] = []
  const unreadable: string[] = []
  for (const revision of revisions) {
    try {
      plans.push({ id: revision.id, number: revision.number, plan: await readDocument(revision) })
    } catch (error) {
      if (!(error instanceof UnreadableDocument)) throw error
      unreadable.push(revision.title)
    }
  }
  const now = thisMoment()
  return {
    /** Titles of published plans that cannot be read and so cannot be run. */
    unreadable,
    // Those of earlier terms, whose groups have left, stand last.
    sections: sections
      .map((section) => ({
        id: section.id,
        name: section.name,
        groups: groups.filter((group) => group.section === section.id).map(({ id, bench, members }) => ({ id, bench, members })),
      }))
      .sort((a, b) => Number(b.groups.length > 0) - Number(a.groups.length > 0)),
    revisions: await Promise.all(
      plans
        .sort((a, b) => a.plan.title.localeCompare(b.plan.title))
        .map(async ({ id, number, plan }) => ({
          id,
          number,
          title: plan.title,
          days: days(plan).map(({ steps }) => lengthOf(steps).usual),
          from: await startingMasses(course, plan, groups, now),
        })),
    ),
  }
}

/** Where a plan goes on from another: what it needs of that product, and what each group has weighed of it. */
async function startingMasses(course: string, plan: Plan, groups: StudentGroup[], now: Date) {
  const line = madeLine(plan)
  const needsG = line && computedLine(reactionTable(plan), line.id).mass?.value
  if (!line || needsG === undefined) return null
  const earlier = await earlierProducts(
    course,
    plan,
    groups.map(({ id }) => id),
    now,
  )
  const weighed = Object.fromEntries(
    Object.entries(earlier).flatMap(([group, [nearest]]) => (nearest ? [[group, nearest.massG]] : [])),
  )
  return { product: substanceOf(plan, line).name, title: line.madeIn!, needsG, weighed }
}
