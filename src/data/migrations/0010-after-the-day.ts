import { DataTypes, type QueryInterface } from 'sequelize'

const ulid = { type: DataTypes.CHAR(26), allowNull: false }
const text = (length: number) => ({ type: DataTypes.STRING(length), allowNull: false })
const moment = { type: DataTypes.DATE(3), allowNull: false }
const perhaps = { type: DataTypes.DATE(3), allowNull: true }
const long = { type: DataTypes.TEXT('long'), allowNull: false }
const to = (model: string, allowNull = false) => ({ ...ulid, allowNull, references: { model, key: 'id' } })

/** What comes after a lab day: results that were released and stay as they were, files of instruments, how work is marked, and the marks. */
export async function afterTheDay(query: QueryInterface): Promise<void> {
  await query.createTable('result_release', {
    id: { ...ulid, primaryKey: true },
    session: to('lab_session'),
    released_at: moment,
    released_by: to('user'),
    // Which computation it came from.
    version: text(40),
    document: long,
    digest: text(64),
  })
  await query.createTable('instrument_file', {
    id: { ...ulid, primaryKey: true },
    session: to('lab_session'),
    // Null until somebody has said whose it is.
    run: to('run', true),
    name: text(120),
    slot: text(40),
    content: long,
    digest: text(64),
    // What was said of its peaks.
    reading: { ...long, defaultValue: '{}' },
    added_at: moment,
    added_by: to('user'),
  })
  await query.addIndex('instrument_file', ['session', 'digest'], { unique: true })
  await query.createTable('marking', {
    session: { ...to('lab_session'), primaryKey: true },
    document: long,
    changed_at: moment,
    changed_by: to('user'),
  })
  await query.createTable('mark', {
    run: { ...to('run'), primaryKey: true },
    document: long,
    decided_at: moment,
    decided_by: to('user'),
    handed_back_at: perhaps,
  })
}
