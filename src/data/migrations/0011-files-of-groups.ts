import { DataTypes, type QueryInterface } from 'sequelize'

/** A file may be typed by a group, which is no person of the college: then nobody of the staff has added it. */
export async function filesOfGroups(query: QueryInterface): Promise<void> {
  await query.changeColumn('instrument_file', 'added_by', { type: DataTypes.CHAR(26), allowNull: true })
}
