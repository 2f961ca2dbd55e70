import type { SectionView } from '@/views/people'
import { thisMoment } from './clock'
import { Op, QueryTypes, type Transaction } from 'sequelize'
import { ulid } from 'ulid'
import { mostGroups, type GroupNames } from '@/core/classroom/groupsText'
import { database, transacted } from '@/data/connect'
import { LabSession, Run, RunStudent, Section, Student, StudentGroup } from '@/data/models'
import { takeTurn } from '@/data/turns'
import { Refusal } from './refusal'
import type { Subject } from './rights'

/** Names as they stand for a group or a run; those that are no longer kept are counted. */
function membersText(names: readonly (string | null)[]): string {
  const kept = names.filter((name): name is string => name !== null)
  const gone = names.length - kept.length
  const parts = [...kept, ...(gone > 0 ? [`${gone} no longer named`] : [])]
  return (parts.join(', ') || 'nobody').slice(0, 200)
}

/** The sections of a course with their groups and who is in them: three statements. */
export async function sectionsOfCourse(course: string): Promise<SectionView[]> {
  const sections = await Section.findAll({ where: { course }, order: [['name', 'ASC']] })
  const ids = sections.map(({ id }) => id)
  const groups = await StudentGroup.findAll({ where: { section: ids, leftAt: null }, order: [['bench', 'ASC']] })
  const students = await Student.findAll({
    where: { studentGroup: groups.map(({ id }) => id) },
    order: [
      ['place', 'ASC'],
      ['id', 'ASC'],
    ],
  })
  const counts = await database().query<{ section: string; sessions: number | bigint }>(
    'SELECT section, COUNT(*) AS sessions FROM lab_session WHERE section IN (:ids) GROUP BY section',
    { replacements: { ids: ids.length > 0 ? ids : [''] }, type: QueryTypes.SELECT },
  )
  return sections.map(({ id, name }) => ({
    id,
    name,
    sessions: Number(counts.find(({ section }) => section === id)?.sessions ?? 0),
    groups: groups
      .filter(({ section }) => section === id)
      .map((group) => ({
        id: group.id,
        bench: group.bench,
        members: students
          .filter(({ studentGroup }) => studentGroup === group.id)
          .map((student) => ({ id: student.id, name: student.name })),
      })),
  }))
}

/** Makes a section. @throws Refusal 409 where one of that name is there */
export async function addSection(course: string, name: string): Promise<{ id: string }> {
  if (await Section.findOne({ where: { course, name } }))
    throw new Refusal(409, `There is a section “${name}” already. Choose another name.`)
  const { id } = await Section.create({ id: ulid(), course, name })
  return { id }
}

/** @throws Refusal 409 */
export async function renameSection(id: string, name: string): Promise<void> {
  const section = await Section.findByPk(id, { rejectOnEmpty: true })
  const other = await Section.findOne({ where: { course: section.course, name, id: { [Op.ne]: id } } })
  if (other) throw new Refusal(409, `There is a section “${name}” already. Choose another name.`)
  await section.update({ name })
}

/** Takes a section away that no session was ever set for. @throws Refusal 409 */
export async function removeSection(id: string): Promise<void> {
  if (await LabSession.findOne({ where: { section: id } }))
    throw new Refusal(409, 'Sessions were set for this section: it stays, with its results. Give it another name instead.')
  await transacted(async (transaction) => {
    const groups = await StudentGroup.findAll({ where: { section: id }, transaction })
    await Student.destroy({ where: { studentGroup: groups.map((each) => each.id) }, transaction })
    await StudentGroup.destroy({ where: { section: id }, transaction })
    await Section.destroy({ where: { id }, transaction })
  })
}

const sameName = (one: string | null, other: string) => one?.toLowerCase() === other.toLowerCase()

/**
 * Puts the groups of a section as they are wanted. A person keeps their id where the name stays, also at another bench; a bench that is given up keeps what it did. Runs that have not begun follow; those that have stay as they were.
 * @throws Refusal 400, 409 where somebody else has changed them meanwhile
 */
export async function saveGroups(
  section: string,
  { groups: wanted, seen }: { groups: readonly GroupNames[]; seen: readonly string[] },
  now = thisMoment(),
): Promise<void> {
  if (wanted.length > mostGroups) throw new Refusal(400, `A section has ${mostGroups} groups at the most.`)
  if (new Set(wanted.map(({ bench }) => bench)).size < wanted.length) throw new Refusal(400, 'A bench was named twice.')
  await transacted(async (transaction) => {
    const options = { transaction }
    await takeTurn('section', section, transaction)
    const groups = await StudentGroup.findAll({ where: { section, leftAt: null }, ...options })
    const students = await Student.findAll({ where: { studentGroup: groups.map(({ id }) => id) }, ...options })
    if (
      [...seen].sort().join() !==
      students
        .map(({ id }) => id)
        .sort()
        .join()
    )
      throw new Refusal(
        409,
        'Somebody else has changed these groups meanwhile. Your text is still here: copy it, load the page anew, and look again.',
      )
    const left = new Set(students)
    for (const { bench, names } of wanted) {
      const group =
        groups.find((each) => each.bench === bench) ??
        (await StudentGroup.create({ id: ulid(), section, bench, members: '' }, options))
      for (const [place, name] of names.entries()) {
        const known =
          [...left].find((each) => sameName(each.name, name) && each.studentGroup === group.id) ??
          [...left].find((each) => sameName(each.name, name))
        if (known) {
          left.delete(known)
          await known.update({ studentGroup: group.id, name, place }, options)
        } else await Student.create({ id: ulid(), studentGroup: group.id, name, place }, options)
      }
    }
    for (const student of left) {
      // Whose name is no longer kept cannot be written, and stays where it was while its bench does.
      const group = groups.find(({ id }) => id === student.studentGroup)
      if (student.name === null && wanted.some(({ bench }) => bench === group?.bench)) continue
      await student.update({ studentGroup: null }, options)
    }
    const gone = groups.filter(({ bench }) => !wanted.some((each) => each.bench === bench))
    await StudentGroup.update({ leftAt: now }, { where: { id: gone.map(({ id }) => id) }, ...options })
    await followInRuns(section, now, transaction)
    await writeMembers(section, transaction)
  })
}

/** Runs of a section that have not begun take their group's members as they are now. */
async function followInRuns(section: string, now: Date, transaction: Transaction): Promise<void> {
  const replacements = { section, now }
  const ahead = `SELECT r.id FROM run r JOIN lab_session l ON l.id = r.session WHERE l.section = :section AND l.starts_at > :now AND r.last_seq = 0`
  await database().query(`DELETE FROM run_student WHERE run IN (${ahead})`, { replacements, transaction })
  await database().query(
    `INSERT INTO run_student (run, student, place, absent)
     SELECT r.id, s.id, s.place, 0 FROM run r JOIN lab_session l ON l.id = r.session JOIN student s ON s.student_group = r.student_group
     WHERE l.section = :section AND l.starts_at > :now AND r.last_seq = 0`,
    { replacements, transaction },
  )
}

/** Writes the names of groups and runs of a section into their text, from the people's own rows. */
export async function writeMembers(section: string, transaction: Transaction): Promise<void> {
  const groups = await StudentGroup.findAll({ where: { section }, transaction })
  const students = await Student.findAll({
    where: { studentGroup: groups.map(({ id }) => id) },
    order: [
      ['place', 'ASC'],
      ['id', 'ASC'],
    ],
    transaction,
  })
  for (const group of groups) {
    if (group.leftAt) continue
    const members = membersText(students.filter(({ studentGroup }) => studentGroup === group.id).map(({ name }) => name))
    if (members !== group.members) await group.update({ members }, { transaction })
  }
  const sessions = await LabSession.findAll({ where: { section }, attributes: ['id'], transaction })
  const runs = await Run.findAll({ where: { session: sessions.map(({ id }) => id) }, transaction })
  await writeRunMembers(runs, transaction)
}

async function writeRunMembers(runs: readonly Run[], transaction: Transaction): Promise<void> {
  if (runs.length === 0) return
  const rows = await database().query<{ run: string; name: string | null; absent: number }>(
    'SELECT m.run, s.name, m.absent FROM run_student m JOIN student s ON s.id = m.student WHERE m.run IN (:runs) ORDER BY m.place, s.id',
    { replacements: { runs: runs.map(({ id }) => id) }, type: QueryTypes.SELECT, transaction },
  )
  for (const run of runs) {
    const members = membersText(rows.filter((row) => row.run === run.id && !row.absent).map(({ name }) => name))
    if (members !== run.members) await run.update({ members }, { transaction })
  }
}

/** Who belongs to the runs of a session, with who is absent. */
export async function presence(
  runs: readonly string[],
): Promise<Record<string, { id: string; name: string | null; absent: boolean }[]>> {
  if (runs.length === 0) return {}
  const rows = await database().query<{ run: string; id: string; name: string | null; absent: number }>(
    'SELECT m.run, s.id, s.name, m.absent FROM run_student m JOIN student s ON s.id = m.student WHERE m.run IN (:runs) ORDER BY m.place, s.id',
    { replacements: { runs: [...runs] }, type: QueryTypes.SELECT },
  )
  return Object.fromEntries(
    runs.map((run) => [
      run,
      rows.filter((row) => row.run === run).map(({ id, name, absent }) => ({ id, name, absent: Boolean(absent) })),
    ]),
  )
}

/** Says who of a run is not there. @throws Refusal 400 */
export async function setAbsent(run: string, absent: readonly string[]): Promise<void> {
  const rows = await RunStudent.findAll({ where: { run } })
  if (absent.some((student) => rows.every((row) => row.student !== student)))
    throw new Refusal(400, 'Somebody was named who does not belong to this run.')
  await transacted(async (transaction) => {
    for (const row of rows) await row.update({ absent: absent.includes(row.student) }, { transaction })
    await writeRunMembers(await Run.findAll({ where: { id: run }, transaction }), transaction)
  })
}

/** Gives a run the members of its group, at its making. */
export async function takeMembers(runs: readonly { id: string; group: string }[], transaction: Transaction): Promise<void> {
  const students = await Student.findAll({ where: { studentGroup: runs.map(({ group }) => group) }, transaction })
  await RunStudent.bulkCreate(
    runs.flatMap(({ id, group }) =>
      students
        .filter(({ studentGroup }) => studentGroup === group)
        .map(({ id: student, place }) => ({ run: id, student, place })),
    ),
    { transaction },
  )
}

/** The course that a student belongs to, or did. @throws Refusal 404 */
export async function subjectOfStudent(id: string): Promise<Subject> {
  const [found] = await database().query<{ course: string }>(
    `SELECT s.course FROM student p JOIN student_group g ON g.id = p.student_group JOIN section s ON s.id = g.section WHERE p.id = :id
     UNION SELECT s.course FROM run_student m JOIN run r ON r.id = m.run JOIN lab_session l ON l.id = r.session
       JOIN section s ON s.id = l.section WHERE m.student = :id LIMIT 1`,
    { replacements: { id }, type: QueryTypes.SELECT },
  )
  if (!found) throw new Refusal(404, 'There is no such student.')
  return { course: found.course }
}
