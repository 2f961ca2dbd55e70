import { DataTypes, type QueryInterface } from 'sequelize'

/** How a course's laboratory works: its pressure, its schools, its checked instruments, as one JSON document. */
export async function laboratory(query: QueryInterface): Promise<void> {
  await query.addColumn('course', 'lab', { type: DataTypes.TEXT('long') })
}
