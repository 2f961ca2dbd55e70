import { DataTypes, type QueryInterface } from 'sequelize'

const count = { type: DataTypes.INTEGER.UNSIGNED, allowNull: false, defaultValue: 0 }

/** How much a run has written, by the server's own clock and in bytes; what a file of an instrument says of itself, so that it is read once. */
export async function limits(query: QueryInterface): Promise<void> {
  for (const column of ['words_bytes', 'picture_bytes', 'paced_minute', 'paced_count'])
    await query.addColumn('run', column, count)
  await query.addColumn('instrument_file', 'kind', { type: DataTypes.STRING(20), allowNull: true })
  await query.addColumn('instrument_file', 'title', { type: DataTypes.STRING(120), allowNull: true })
  await query.addColumn('instrument_file', 'simulated', { type: DataTypes.BOOLEAN, allowNull: true })
}
