import { DataTypes, type QueryInterface } from 'sequelize'

const ulid = (allowNull = false) => ({ type: DataTypes.CHAR(26), allowNull })
const moment = (allowNull = false) => ({ type: DataTypes.DATE(3), allowNull })

/** Whose turn it is at what several change (data/turns.ts), and the tokens of the college's other systems. */
export async function moreMachines(query: QueryInterface): Promise<void> {
  for (const table of ['college', 'preparation', 'section', 'instrument_file'])
    await query.addColumn(table, 'turn', { type: DataTypes.INTEGER.UNSIGNED, allowNull: false, defaultValue: 0 })
  await query.createTable('token', {
    id: { ...ulid(), primaryKey: true },
    name: { type: DataTypes.STRING(120), allowNull: false },
    token_hash: { type: DataTypes.STRING(64), allowNull: false, unique: true },
    rights: { type: DataTypes.STRING(400), allowNull: false },
    // Null: all courses of the college.
    course: { ...ulid(true), references: { model: 'course', key: 'id' } },
    made_at: moment(),
    made_by: ulid(),
    ends_at: moment(),
    used_at: moment(true),
    withdrawn_at: moment(true),
  })
}
