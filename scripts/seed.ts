import { createHash } from 'node:crypto'
import { ulid } from 'ulid'
import { chained } from '@/data/chain'
import { rowOf } from '@/data/entries'
import { setAside, writeBeside } from '@/data/beside'
import { connectTo } from '@/data/connect'
import {
  BottleRow,
  CollegeRow,
  Course,
  EntryRow,
  InstrumentFile,
  LabSession,
  Membership,
  Preparation,
  Revision,
  Run,
  RunStudent,
  Section,
  Student,
  StudentGroup,
  User,
} from '@/data/models'
import { readTrace } from '@/core/traces/readTrace'
import { writePlanFile } from '@/core/format/planFile'
import { college, type College } from '@/demo/college'
import { heldBefore } from '@/demo/earlier'
import { hashPassword } from '@/server/password'

/** What a file says of itself, so that nobody has to read it again. */
function headOf({ name, content }: { name: string; content: string }) {
  const read = readTrace(content, name)
  if (!read.ok) throw new Error(`${name}: ${read.problem}`)
  const { kind, title, simulated } = read.value
  return { kind, title, simulated }
}

/** The term that a day lies in. */
const termOf = (at: Date) => `${at.getUTCMonth() >= 6 ? 'autumn' : 'spring'} ${at.getUTCFullYear()}`

/**
 * Writes the made-up college into an empty database; leaves one with people in it as it is. @returns the college
 */
export async function seed(
  ownerUrl: string,
  at = new Date(),
  zone = Intl.DateTimeFormat().resolvedOptions().timeZone,
): Promise<College> {
  const made = college(at, zone)
  const sequelize = connectTo(ownerUrl)
  try {
    if ((await User.count()) > 0) return made
    const hashes = await Promise.all(made.people.map(({ password }) => hashPassword(password)))
    await sequelize.transaction(async (transaction) => {
      const options = { transaction }
      const { course, people, preparations } = made
      const held = heldBefore(made, at)
      const [sections, sessions] = [
        [...made.sections, ...held.sections],
        [...made.sessions, ...held.sessions],
      ]
      const owner = people[0]!.id
      const students = sections.flatMap(({ groups }) =>
        groups.flatMap(({ id, members }) => members.split(', ').map((name) => ({ id: ulid(), studentGroup: id, name }))),
      )
      await CollegeRow.create({ id: ulid(), title: course.college, zone: course.zone, keepNamesMonths: 0 }, options)
      await User.bulkCreate(
        people.map(({ id, signIn, name }, index) => ({
          id,
          signIn,
          name,
          passwordHash: hashes[index]!,
          administrator: index === 0,
        })),
        options,
      )
      await Course.create({ ...course, term: termOf(at), lab: JSON.stringify(course.lab) }, options)
      await Membership.bulkCreate(
        people.map(({ id, role }) => ({ user: id, course: course.id, role })),
        options,
      )
      await Section.bulkCreate(
        sections.map(({ id, name }) => ({ id, name, course: course.id })),
        options,
      )
      await StudentGroup.bulkCreate(
        sections.flatMap(({ id, left, groups }) => groups.map((group) => ({ ...group, section: id, leftAt: left ?? null }))),
        options,
      )
      await Student.bulkCreate(
        students.map((student, place) => ({ ...student, place })),
        options,
      )
      await Preparation.bulkCreate(
        preparations.map(({ id, plan }) => ({ id, course: course.id, title: plan.title })),
        options,
      )
      await Revision.bulkCreate(
        preparations.map(({ id, revision, plan, publishedAt }) => ({
          id: revision,
          preparation: id,
          number: 1,
          state: 'published' as const,
          title: plan.title,
          aim: plan.aim,
          plan: writePlanFile(plan),
          version: 1,
          savedAt: publishedAt,
          savedBy: owner,
          publishedAt,
          publishedBy: owner,
        })),
        options,
      )
      await BottleRow.bulkCreate(
        made.bottles.map(({ form, left, ...bottle }) => ({
          ...bottle,
          course: course.id,
          form: JSON.stringify(form),
          leftValue: left.value,
          leftUnit: left.unit,
          leftDecimals: left.decimals,
          changedAt: made.preparations[0]!.publishedAt,
          changedBy: people.find(({ role }) => role === 'stores')!.id,
        })),
        options,
      )
      await LabSession.bulkCreate(
        sessions.map(({ runs: _runs, ...session }) => session),
        options,
      )
      for (const session of sessions) {
        await Run.bulkCreate(
          session.runs.map(({ entries, group, ...run }) => ({
            ...run,
            session: session.id,
            studentGroup: group,
            lastSeq: entries.length,
          })),
          options,
        )
        await RunStudent.bulkCreate(
          session.runs.flatMap(({ id, group }) =>
            students.filter((each) => each.studentGroup === group).map((each, place) => ({ run: id, student: each.id, place })),
          ),
          options,
        )
        const parted = session.runs.map(({ id, entries }) => ({ id, entries: entries.map((entry) => setAside(entry)) }))
        await EntryRow.bulkCreate(
          parted.flatMap(({ id, entries }) =>
            chained(entries.map(({ entry }, index) => rowOf(id, entry, index + 1, new Date(entry.at)))),
          ),
          options,
        )
        await writeBeside(
          parted.flatMap(({ entries }) => entries.flatMap(({ beside }) => beside)),
          transaction,
        )
      }
      await InstrumentFile.bulkCreate(
        held.files.map((file) => ({
          ...file,
          ...headOf(file),
          id: ulid(),
          digest: createHash('sha256').update(file.content).digest('hex'),
          addedAt: at,
          addedBy: owner,
        })),
        options,
      )
    })
    return made
  } finally {
    await sequelize.close()
  }
}
