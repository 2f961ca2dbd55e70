import { readPlanFile } from '@/core/format/planFile'
import { randomInt } from 'node:crypto'
import { ulid } from 'ulid'
import { substanceOf, type Plan } from '@/core/plan/plan'
import { madeLine } from '@/core/plan/sequence'
import { computedLine, reactionTable } from '@/core/reaction/reactionTable'
import { database } from '@/data/connect'
import { readEntries, type NumberedEntry } from '@/data/entries'
import { Course, LabSession, Preparation, Revision, Run, Section, StudentGroup } from '@/data/models'
import { Refusal } from './refusal'
import { earlierProducts, type Earlier } from './sequences'
import type { Subject } from './rights'

export interface RunView {
  id: string
  bench: number
  members: string
  scale: number
  /** Only for those who may hand it out. */
  code: string | null
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
  revision: { preparation: string; number: number }
  zone: string
}

export interface SessionView extends SessionHead {
  plan: Plan
  runs: RunView[]
}

export async function subjectOfSession(id: string): Promise<Subject> {
  const session = await LabSession.findByPk(id)
  const section = session && (await Section.findByPk(session.section))
  if (!section) throw new Refusal(404, 'There is no such lab session.')
  return { course: section.course }
}

/** Ids of the runs of a session. */
export async function runsOfSession(session: string): Promise<string[]> {
  return (await Run.findAll({ where: { session }, attributes: ['id'] })).map(({ id }) => id)
}

export async function subjectOfSection(id: string): Promise<Subject> {
  const section = await Section.findByPk(id)
  if (!section) throw new Refusal(404, 'There is no such section.')
  return { course: section.course }
}

/** The sessions of a course in the order of their time. */
export async function listSessions(course: string): Promise<SessionHead[]> {
  const sections = await Section.findAll({ where: { course } })
  const sessions = await LabSession.findAll({ where: { section: sections.map(({ id }) => id) }, order: [['startsAt', 'ASC']] })
  return Promise.all(sessions.map(head))
}

async function head(session: LabSession): Promise<SessionHead> {
  const [section, revision, benches] = await Promise.all([
    Section.findByPk(session.section, { rejectOnEmpty: true }),
    Revision.findByPk(session.revision, { rejectOnEmpty: true }),
    Run.count({ where: { session: session.id } }),
  ])
  const [course, preparation] = await Promise.all([
    Course.findByPk(section.course, { rejectOnEmpty: true }),
    Preparation.findByPk(revision.preparation, { rejectOnEmpty: true }),
  ])
  return {
    id: session.id,
    course: course.id,
    title: readPlanFile(revision.plan).title,
    section: section.name,
    startsAt: session.startsAt.toISOString(),
    endsAt: session.endsAt.toISOString(),
    room: session.room,
    benches,
    revision: { preparation: preparation.id, number: revision.number },
    zone: course.zone,
  }
}

/** A session with its plan, its runs and all their entries. */
export async function viewSession(id: string, withCodes: boolean): Promise<SessionView> {
  const session = await LabSession.findByPk(id, { rejectOnEmpty: true })
  const revision = await Revision.findByPk(session.revision, { rejectOnEmpty: true })
  const runs = await Run.findAll({ where: { session: id }, order: [['bench', 'ASC']] })
  const entries = await readEntries(runs.map((run) => run.id))
  const plan = readPlanFile(revision.plan)
  const known = await head(session)
  const before = await Promise.all(runs.map((run) => earlierProducts(known.course, plan, run.studentGroup, session.startsAt)))
  return {
    ...known,
    plan,
    runs: runs.map((run, index) => ({
      id: run.id,
      before: before[index]!,
      bench: run.bench,
      members: run.members,
      scale: run.scale,
      code: withCodes ? run.code : null,
      entries: entries[run.id]!,
    })),
  }
}

/** What a session may be set from: sections with their groups, and published revisions. */
export async function sessionChoices(course: string) {
  const sections = await Section.findAll({ where: { course }, order: [['name', 'ASC']] })
  const groups = await StudentGroup.findAll({ where: { section: sections.map(({ id }) => id) }, order: [['bench', 'ASC']] })
  const preparations = await Preparation.findAll({ where: { course, archivedAt: null } })
  const revisions = await Revision.findAll({ where: { preparation: preparations.map(({ id }) => id), state: 'published' } })
  const plans = revisions.map(({ id, number, plan }) => ({ id, number, plan: readPlanFile(plan) }))
  const now = new Date()
  return {
    sections: sections.map((section) => ({
      id: section.id,
      name: section.name,
      groups: groups.filter((group) => group.section === section.id).map(({ id, bench, members }) => ({ id, bench, members })),
    })),
    revisions: await Promise.all(
      plans
        .sort((a, b) => a.plan.title.localeCompare(b.plan.title))
        .map(async ({ id, number, plan }) => ({
          id,
          number,
          title: plan.title,
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
  const weighed: Record<string, number> = {}
  for (const { id } of groups) {
    const [earlier] = await earlierProducts(course, plan, id, now)
    if (earlier) weighed[id] = earlier.massG
  }
  return { product: substanceOf(plan, line).name, title: line.madeIn!, needsG, weighed }
}

export interface NewSession {
  section: string
  revision: string
  startsAt: string
  endsAt: string
  room: string
  groups: { group: string; scale: number }[]
}

/** Sets a lab session: each group gets a run at its own scale and a bench code. @throws Refusal 400 */
export async function createSession(wanted: NewSession): Promise<{ id: string }> {
  const { course } = await subjectOfSection(wanted.section)
  const revision = await Revision.findByPk(wanted.revision)
  const preparation = revision && (await Preparation.findByPk(revision.preparation))
  if (!revision || preparation?.course !== course) throw new Refusal(400, 'Choose a preparation of this course.')
  if (revision.state !== 'published')
    throw new Refusal(400, 'Only a published plan can be run. Publish it first, or choose its published revision.')
  if (Date.parse(wanted.endsAt) <= Date.parse(wanted.startsAt))
    throw new Refusal(400, 'The session ends before it begins. Give an end later than the start.')
  const groups = await StudentGroup.findAll({ where: { section: wanted.section, id: wanted.groups.map(({ group }) => group) } })
  if (groups.length !== wanted.groups.length) throw new Refusal(400, 'A group was named that is not in this section.')
  const id = ulid()
  await database().transaction(async (transaction) => {
    await LabSession.create(
      {
        id,
        section: wanted.section,
        revision: wanted.revision,
        startsAt: new Date(wanted.startsAt),
        endsAt: new Date(wanted.endsAt),
        room: wanted.room,
      },
      { transaction },
    )
    await Run.bulkCreate(
      wanted.groups.map(({ group, scale }) => {
        const { bench, members } = groups.find((candidate) => candidate.id === group)!
        return {
          id: ulid(),
          session: id,
          studentGroup: group,
          bench,
          members,
          scale,
          code: benchCode(() => randomInt(alphabet.length)),
        }
      }),
      { transaction },
    )
  })
  return { id }
}

/** Without the letters and digits that are mistaken for each other. */
const alphabet = '23456789ABCDEFGHJKLMNPQRSTUVWXYZ'

/** A bench code of six signs: 32⁶, about 10⁹ codes, behind a limit on attempts. */
export function benchCode(pick: () => number): string {
  return Array.from({ length: 6 }, () => alphabet[pick()]).join('')
}
