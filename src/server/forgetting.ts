import { thisMoment } from './clock'
import { QueryTypes } from 'sequelize'
import { encodeTime } from 'ulid'
import type { Mark } from '@/core/marking/mark'
import type { TraceReading } from '@/core/traces/report'
import { database, transacted } from '@/data/connect'
import {
  Beside,
  CollegeRow,
  EntryRow,
  InstrumentFile,
  LabSession,
  MarkRow,
  Run,
  RunStudent,
  Student,
  StudentGroup,
} from '@/data/models'
import { Refusal } from './refusal'
import { writeMembers } from './students'

/** Everything that is held of a student. */
export async function exportStudent(id: string) {
  const student = await Student.findByPk(id)
  if (!student) throw new Refusal(404, 'There is no such student.')
  const [group] = await database().query<{ section: string; bench: number }>(
    'SELECT s.name AS section, g.bench FROM student_group g JOIN section s ON s.id = g.section WHERE g.id = :group',
    { replacements: { group: student.studentGroup ?? '' }, type: QueryTypes.SELECT },
  )
  const runs = await database().query<{ run: string; title: string; startsAt: Date | string; bench: number; absent: number }>(
    `SELECT r.id AS run, v.title, l.starts_at AS startsAt, r.bench, m.absent FROM run_student m JOIN run r ON r.id = m.run
     JOIN lab_session l ON l.id = r.session JOIN revision v ON v.id = l.revision WHERE m.student = :id ORDER BY l.starts_at`,
    { replacements: { id }, type: QueryTypes.SELECT },
  )
  const ids = runs.map(({ run }) => run)
  const [marks, files] = await Promise.all([
    MarkRow.findAll({ where: { run: ids } }),
    InstrumentFile.findAll({ where: { run: ids }, attributes: ['run', 'name', 'reading'] }),
  ])
  return {
    name: student.name,
    group: group ?? null,
    runs: runs.map(({ startsAt, absent, ...row }) => ({
      ...row,
      startsAt: new Date(startsAt).toISOString(),
      absent: Boolean(absent),
      mark: marks.filter(({ run }) => run === row.run).map(({ document }) => JSON.parse(document) as Mark)[0] ?? null,
      files: files
        .filter(({ run }) => run === row.run)
        .map(({ name, reading }) => ({ name, reading: JSON.parse(reading) as TraceReading })),
    })),
    about:
      'Entries of a run name its bench, not people. Marks and files are those of the group. Nothing else is held of a student.',
  }
}

/** Forgets students: their names go everywhere, and no figure and no entry changes. */
export async function forget(ids: readonly string[]): Promise<void> {
  if (ids.length === 0) return
  await transacted(async (transaction) => {
    const students = await Student.findAll({ where: { id: [...ids] }, transaction })
    const groups = await StudentGroup.findAll({
      where: { id: students.flatMap(({ studentGroup }) => studentGroup ?? []) },
      transaction,
    })
    const named = await RunStudent.findAll({ where: { student: [...ids] }, transaction })
    const runs = await Run.findAll({ where: { id: named.map(({ run }) => run) }, transaction })
    const sessions = await LabSession.findAll({ where: { id: runs.map(({ session }) => session) }, transaction })
    await Student.update({ name: null, studentGroup: null }, { where: { id: [...ids] }, transaction })
    for (const section of new Set([...groups.map((each) => each.section), ...sessions.map((each) => each.section)]))
      await writeMembers(section, transaction)
  })
}

/** Forgets the free words and pictures of runs: the log keeps what was read, and says that words stood there; points stay without the comments beside them. @returns how many words and pictures of the log */
export async function forgetWords(runs: readonly string[]): Promise<number> {
  if (runs.length === 0) return 0
  for (const row of await MarkRow.findAll({ where: { run: [...runs] } })) {
    const { points } = JSON.parse(row.document) as Mark
    await row.update({ document: JSON.stringify({ points, comments: {}, comment: '' } satisfies Mark) })
  }
  for (const row of await InstrumentFile.findAll({ where: { run: [...runs] } })) {
    const reading = JSON.parse(row.reading) as TraceReading
    // Which protons they are is written freely; the figures stay.
    if (reading.shifts)
      await row.update({
        reading: JSON.stringify({ ...reading, shifts: reading.shifts.map((each) => ({ ...each, what: '' })) }),
      })
  }
  return Beside.destroy({
    where: { entry: (await EntryRow.findAll({ where: { run: [...runs] }, attributes: ['id'], raw: true })).map(({ id }) => id) },
  })
}

/** Each run with the end of its last day. */
const lastDays = `SELECT run.id AS run, GREATEST(first.ends_at, COALESCE(MAX(later.ends_at), first.ends_at)) AS ends_at
  FROM run JOIN lab_session first ON first.id = run.session LEFT JOIN run_day d ON d.run = run.id LEFT JOIN lab_session later ON later.id = d.session
  GROUP BY run.id`

/** Forgets students whose last session lies further back than names are kept, and the free words and pictures of sessions as long ago. @returns how many students */
export async function forgetOld(now = thisMoment()): Promise<number> {
  const college = await CollegeRow.findOne()
  if (!college || college.keepNamesMonths === 0) return 0
  const before = new Date(now)
  before.setUTCMonth(before.getUTCMonth() - college.keepNamesMonths)
  const rows = await database().query<{ id: string }>(
    `SELECT p.id FROM student p LEFT JOIN run_student m ON m.student = p.id LEFT JOIN (${lastDays}) r ON r.run = m.run
     WHERE p.name IS NOT NULL GROUP BY p.id HAVING COALESCE(MAX(r.ends_at) < :before, p.id < :made)`,
    // Who was never in a session counts from when the name was written, which its id says.
    { replacements: { before, made: encodeTime(before.getTime(), 10) }, type: QueryTypes.SELECT },
  )
  await forget(rows.map(({ id }) => id))
  const over = await database().query<{ id: string }>(
    `SELECT r.run AS id FROM (${lastDays}) r LEFT JOIN entry e ON e.run = r.run LEFT JOIN beside b ON b.entry = e.id LEFT JOIN mark m ON m.run = r.run
     WHERE r.ends_at < :before AND (b.entry IS NOT NULL OR m.run IS NOT NULL) GROUP BY r.run`,
    { replacements: { before }, type: QueryTypes.SELECT },
  )
  await forgetWords(over.map(({ id }) => id))
  return rows.length
}
