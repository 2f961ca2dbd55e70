import { DataTypes, type QueryInterface } from 'sequelize'

/** A PIN with which a person signs on the tablet of a bench; empty where they have none. */
export async function atTheBench(query: QueryInterface): Promise<void> {
  await query.addColumn('user', 'pin_hash', { type: DataTypes.STRING(200), allowNull: false, defaultValue: '' })
}
