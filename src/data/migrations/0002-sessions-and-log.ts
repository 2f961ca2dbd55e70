import { DataTypes, type QueryInterface } from 'sequelize'

const ulid = { type: DataTypes.CHAR(26), allowNull: false }
const text = (length: number) => ({ type: DataTypes.STRING(length), allowNull: false })
const moment = { type: DataTypes.DATE(3), allowNull: false }
const whole = { type: DataTypes.INTEGER, allowNull: false }
const to = (model: string) => ({ ...ulid, references: { model, key: 'id' } })

/** Lab sessions, the runs of their groups, and the log. */
export async function sessionsAndLog(query: QueryInterface): Promise<void> {
  await query.createTable('lab_session', {
    id: { ...ulid, primaryKey: true },
    section: to('section'),
    revision: to('revision'),
    starts_at: moment,
    ends_at: moment,
    room: text(120),
  })
  await query.createTable('run', {
    id: { ...ulid, primaryKey: true },
    session: to('lab_session'),
    student_group: to('student_group'),
    bench: whole,
    members: text(200),
    scale: { type: DataTypes.DOUBLE, allowNull: false },
    code: { type: DataTypes.CHAR(6), allowNull: false, unique: true },
    last_seq: { ...whole, defaultValue: 0 },
  })
  await query.createTable(
    'entry',
    {
      id: { ...ulid, primaryKey: true },
      run: to('run'),
      seq: whole,
      kind: text(20),
      step: text(80),
      body: { type: DataTypes.TEXT('long'), allowNull: false },
      at: moment,
      received: moment,
      by: text(80),
      device: text(80),
      supersedes: { type: DataTypes.CHAR(26) },
      reason: { type: DataTypes.STRING(500) },
    },
    { uniqueKeys: { one_seq: { fields: ['run', 'seq'] } } },
  )
}
