import { DataTypes, QueryTypes, type QueryInterface } from 'sequelize'
import { ulid as newId } from 'ulid'

const ulid = { type: DataTypes.CHAR(26), allowNull: false }
const text = (length: number) => ({ type: DataTypes.STRING(length), allowNull: false })
const moment = { type: DataTypes.DATE(3), allowNull: false }
const perhaps = { type: DataTypes.DATE(3), allowNull: true }
const whole = { type: DataTypes.INTEGER, allowNull: false }
const to = (model: string, allowNull = false) => ({ ...ulid, allowNull, references: { model, key: 'id' } })

/**
 * A college with its administrator, invitations, what people did, terms; students as rows of their own, so that each can be named, moved, absent or forgotten; sessions that can be cancelled and that go on over days.
 */
export async function aRealCollege(query: QueryInterface): Promise<void> {
  const sql = (statement: string, replacements: Record<string, unknown> = {}) =>
    query.sequelize.query(statement, { replacements })
  await query.createTable('college', {
    id: { ...ulid, primaryKey: true },
    title: text(120),
    zone: text(60),
    // There is one college in a database: a second row cannot be written.
    only: { type: DataTypes.TINYINT, allowNull: false, defaultValue: 1, unique: true },
    keep_names_months: whole,
    words: { ...text(200), defaultValue: '{}' },
  })
  await query.addColumn('user', 'administrator', { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false })
  await query.addColumn('user', 'withdrawn_at', perhaps)
  await query.createTable('invitation', {
    id: { ...ulid, primaryKey: true },
    // Null on the one link with which a college begins.
    user: to('user', true),
    token_hash: { ...text(64), unique: true },
    made_at: moment,
    made_by: to('user', true),
    ends_at: moment,
    used_at: perhaps,
  })
  await query.createTable('deed', {
    id: { ...ulid, primaryKey: true },
    at: moment,
    person: { type: DataTypes.CHAR(26), allowNull: true },
    course: { type: DataTypes.CHAR(26), allowNull: true },
    what: text(40),
    about: text(500),
    from: text(80),
  })
  await query.addIndex('deed', ['course', 'id'])
  await query.addColumn('course', 'term', { ...text(60), defaultValue: '' })
  await query.addColumn('course', 'copied_from', { type: DataTypes.CHAR(26), allowNull: true })
  await query.addColumn('course', 'approval', { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false })

  await query.createTable('student', {
    id: { ...ulid, primaryKey: true },
    student_group: to('student_group', true),
    // Null once the name is no longer kept.
    name: { type: DataTypes.STRING(120), allowNull: true },
    place: whole,
  })
  await query.createTable('run_student', {
    run: { ...to('run'), primaryKey: true },
    student: { ...to('student'), primaryKey: true },
    place: whole,
    absent: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
  })
  await query.addColumn('student_group', 'left_at', perhaps)
  await query.addColumn('lab_session', 'cancelled_at', perhaps)
  await query.addColumn('lab_session', 'reason', { type: DataTypes.STRING(200), allowNull: true })
  // A day on which the runs of another session go on: it has no runs of its own.
  await query.addColumn('lab_session', 'goes_on_from', { ...to('lab_session', true) })
  await query.addColumn('lab_session', 'begins_at_step', { type: DataTypes.STRING(80), allowNull: true })
  await query.createTable('run_day', {
    run: { ...to('run'), primaryKey: true },
    session: { ...to('lab_session'), primaryKey: true },
    code: { type: DataTypes.CHAR(6), allowNull: false, unique: true },
  })
  await query.createTable('approval', {
    revision: { ...to('revision'), primaryKey: true },
    person: to('user'),
    at: moment,
  })
  await query.createTable('feed', { token_hash: { ...text(64), primaryKey: true }, user: { ...to('user'), unique: true } })

  // Free words and pictures of entries; the log holds their digests.
  await query.createTable('beside', {
    id: { ...ulid, primaryKey: true },
    entry: to('entry'),
    field: text(20),
    salt: text(32),
    words: { type: DataTypes.TEXT('long'), allowNull: false },
  })
  await query.addIndex('beside', ['entry', 'field'], { unique: true, name: 'beside_once' })

  await namesIntoRows(query)
  // Who owned a course before there were administrators looks after the college.
  await sql("UPDATE user SET administrator = 1 WHERE id IN (SELECT user FROM membership WHERE role = 'owner')")
  const [course] = await query.sequelize.query<{ college: string; zone: string }>('SELECT college, zone FROM course LIMIT 1', {
    type: QueryTypes.SELECT,
  })
  if (course)
    await sql('INSERT INTO college (id, title, zone, `only`, keep_names_months) VALUES (:id, :college, :zone, 1, 0)', {
      ...course,
      id: newId(),
    })
}

/** Members that stood in one text become people, and runs name those who stood in their own text. */
async function namesIntoRows(query: QueryInterface): Promise<void> {
  const select = <T extends object>(statement: string) => query.sequelize.query<T>(statement, { type: QueryTypes.SELECT })
  const groups = await select<{ id: string; members: string }>('SELECT id, members FROM student_group')
  const runs = await select<{ id: string; student_group: string; members: string }>('SELECT id, student_group, members FROM run')
  const known = new Map<string, string>()
  const students: { id: string; student_group: string; name: string; place: number }[] = []
  const member = (group: string, name: string): string => {
    const key = `${group} ${name}`
    if (!known.has(key)) {
      const id = newId()
      known.set(key, id)
      students.push({ id, student_group: group, name, place: students.length })
    }
    return known.get(key)!
  }
  const namesIn = (text: string) => [
    ...new Set(
      text
        .split(',')
        .map((name) => name.trim().slice(0, 120))
        .filter(Boolean),
    ),
  ]
  for (const { id, members } of groups) for (const name of namesIn(members)) member(id, name)
  const rows = runs.flatMap(({ id, student_group: group, members }) =>
    namesIn(members).map((name, place) => ({ run: id, student: member(group, name), place, absent: false })),
  )
  if (students.length > 0) await query.bulkInsert('student', students)
  if (rows.length > 0) await query.bulkInsert('run_student', rows)
}
