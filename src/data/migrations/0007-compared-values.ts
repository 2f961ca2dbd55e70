import { DataTypes, type QueryInterface } from 'sequelize'

const ulid = { type: DataTypes.CHAR(26), allowNull: false }
const text = (length: number) => ({ type: DataTypes.STRING(length), allowNull: false })

/** Values of the reference records that somebody of a course has compared with their source: which, as it then was, who and when. */
export async function comparedValues(query: QueryInterface): Promise<void> {
  await query.createTable('compared', {
    id: { ...ulid, primaryKey: true },
    course: { ...ulid, references: { model: 'course', key: 'id' } },
    record: text(120),
    what: text(120),
    value: { type: DataTypes.TEXT('long'), allowNull: false },
    compared_by: { ...ulid, references: { model: 'user', key: 'id' } },
    compared_at: { type: DataTypes.DATE(3), allowNull: false },
  })
  await query.addIndex('compared', ['course', 'record', 'what'], { unique: true, name: 'compared_once' })
}
