import { DataTypes, type QueryInterface } from 'sequelize'

const key = () => ({ type: DataTypes.CHAR(26), primaryKey: true, allowNull: false })
const ulid = (allowNull = false) => ({ type: DataTypes.CHAR(26), allowNull })
const moment = () => ({ type: DataTypes.DATE(3), allowNull: false })

/** What the label of a bottle says, every change of what is in it, and what is written down while a session is made ready. */
export async function stores(query: QueryInterface): Promise<void> {
  await query.addColumn('bottle', 'about', { type: DataTypes.STRING(500), allowNull: false, defaultValue: '{}' })
  await query.createTable('bottle_move', {
    id: key(),
    bottle: ulid(),
    course: ulid(),
    // Kept when the bottle is taken off the shelf: what a year used stays known.
    what: { type: DataTypes.STRING(300), allowNull: false },
    kind: { type: DataTypes.STRING(20), allowNull: false },
    amount: { type: DataTypes.DOUBLE, allowNull: false },
    unit: { type: DataTypes.STRING(4), allowNull: false },
    at: moment(),
    person: ulid(),
    session: ulid(true),
    reason: { type: DataTypes.STRING(200), allowNull: false, defaultValue: '' },
  })
  await query.addIndex('bottle_move', ['course', 'at'])
  await query.addIndex('bottle_move', ['session'])
  await query.createTable('stores_record', {
    id: key(),
    course: ulid(),
    session: ulid(true),
    kind: { type: DataTypes.STRING(20), allowNull: false },
    item: { type: DataTypes.STRING(400), allowNull: false },
    body: { type: DataTypes.TEXT('medium'), allowNull: false },
    at: moment(),
    person: ulid(),
  })
  await query.addIndex('stores_record', ['session', 'kind'])
  await query.addIndex('stores_record', ['course', 'kind'])
}
