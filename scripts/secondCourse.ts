import { ulid } from 'ulid'
import { writePlanFile } from '@/core/format/planFile'
import { connectTo } from '@/data/connect'
import { Course, Draft, LabSession, Membership, Preparation, Revision, Run, Section, StudentGroup, User } from '@/data/models'
import type { College } from '@/demo/college'
import { hashPassword } from '@/server/password'

/** Words that stand in one place only, so that a test can look for them everywhere else. */
export const marks = { draft: 'Words of a draft in the second course', title: 'Secret of the second course' } as const

const parts = [
  'course',
  'person',
  'section',
  'group',
  'preparation',
  'revision',
  'draft',
  'session',
  'run',
  'ended',
  'endedRun',
  'broken',
  'brokenDraft',
] as const

/** A second course for the tests of who sees what, and a person who owns it and is stores in the first; with a session that has just ended, and a draft whose document no longer reads. */
export async function addSecondCourse(ownerUrl: string, { course, preparations, sections }: College) {
  const sequelize = connectTo(ownerUrl)
  const ids = Object.fromEntries(parts.map((name) => [name, ulid()])) as Record<(typeof parts)[number], string>
  const person = { signIn: 'okafor', name: 'Ada Okafor', password: 'bench-book-second', role: 'owner' as const }
  const at = new Date()
  const lateCode = 'ZZ33ZZ'
  const plan = preparations[0]!.plan
  const documentOf = (title: string, aim: string) => ({ title, aim, plan: writePlanFile({ ...plan, title, aim }) })
  try {
    await User.create({
      id: ids.person,
      signIn: person.signIn,
      name: person.name,
      passwordHash: await hashPassword(person.password),
    })
    await Course.create({ id: ids.course, title: 'Organic laboratory II', college: course.college, zone: course.zone })
    await Membership.bulkCreate([
      { user: ids.person, course: ids.course, role: 'owner' },
      { user: ids.person, course: course.id, role: 'stores' },
    ])
    await Section.create({ id: ids.section, course: ids.course, name: 'Section Z' })
    await StudentGroup.create({ id: ids.group, section: ids.section, bench: 1, members: 'Zane, Zobel' })
    await Preparation.create({ id: ids.preparation, course: ids.course, title: marks.title })
    const common = { preparation: ids.preparation, version: 1, savedAt: at, savedBy: ids.person }
    await Revision.create({
      ...common,
      ...documentOf(marks.title, 'Published there'),
      id: ids.revision,
      number: 1,
      state: 'published',
      publishedAt: at,
      publishedBy: ids.person,
    })
    await Draft.create({ ...common, ...documentOf(marks.title, marks.draft), id: ids.draft, number: 2 })
    await LabSession.create({
      id: ids.session,
      section: ids.section,
      revision: ids.revision,
      startsAt: new Date(at.getTime() - 3_600_000),
      endsAt: new Date(at.getTime() + 3_600_000),
      room: 'East lab',
    })
    const run = { id: ids.run, session: ids.session, studentGroup: ids.group, bench: 1, members: 'Zane, Zobel', scale: 1 }
    await Run.create({ ...run, code: 'ZZ22ZZ', readCode: 'ZZ22ZZ22' })
    await LabSession.create({
      id: ids.ended,
      section: ids.section,
      revision: ids.revision,
      startsAt: new Date(at.getTime() - 4 * 3_600_000),
      endsAt: new Date(at.getTime() - 10_000),
      room: 'East lab',
    })
    await Run.create({ ...run, id: ids.endedRun, session: ids.ended, code: lateCode, readCode: 'ZZ33ZZ33' })
    await Preparation.create({ id: ids.broken, course: ids.course, title: 'A damaged one' })
    await Draft.create({
      ...{ ...common, preparation: ids.broken, title: 'A damaged one', aim: '', plan: '{"format":"mozle-plan","version":' },
      id: ids.brokenDraft,
      number: 1,
    })
    return { ids, person, code: 'ZZ22ZZ', readCode: 'ZZ22ZZ22', lateCode, firstSection: sections[0]!.id }
  } finally {
    await sequelize.close()
  }
}

export type SecondCourse = Awaited<ReturnType<typeof addSecondCourse>>
