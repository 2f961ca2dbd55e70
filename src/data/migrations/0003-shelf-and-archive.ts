import { DataTypes, type QueryInterface } from 'sequelize'

const ulid = { type: DataTypes.CHAR(26), allowNull: false }
const text = (length: number) => ({ type: DataTypes.STRING(length), allowNull: false })
const moment = { type: DataTypes.DATE(3) }

/** Bottles on a course's shelf; preparations that are put away; when a revision's author confirmed its safety sheet. */
export async function shelfAndArchive(query: QueryInterface): Promise<void> {
  await query.createTable('bottle', {
    id: { ...ulid, primaryKey: true },
    course: { ...ulid, references: { model: 'course', key: 'id' } },
    substance: text(200),
    formula: { type: DataTypes.STRING(120) },
    form: text(500),
    left_value: { type: DataTypes.DOUBLE, allowNull: false },
    left_unit: text(4),
    place: text(120),
    changed_at: { ...moment, allowNull: false },
    changed_by: { ...ulid, references: { model: 'user', key: 'id' } },
  })
  await query.addColumn('preparation', 'archived_at', moment)
  await query.addColumn('revision', 'safety_read_at', moment)
}
