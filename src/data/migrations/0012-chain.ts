import { DataTypes, QueryTypes, type QueryInterface } from 'sequelize'
import { chained, type Link } from '../chain'

/** So many runs are tied at a time. */
const runsAtOnce = 50

/** Each entry holds a hash of its own bytes and of the entry before in its run; what was written earlier is tied as it stands now. */
export async function chain(query: QueryInterface): Promise<void> {
  const { sequelize } = query
  await query.addColumn('entry', 'hash', { type: DataTypes.CHAR(64) })
  const runs = await sequelize.query<{ run: string }>('SELECT DISTINCT run FROM entry ORDER BY run', { type: QueryTypes.SELECT })
  for (let from = 0; from < runs.length; from += runsAtOnce) {
    const ids = runs.slice(from, from + runsAtOnce).map(({ run }) => run)
    const rows = await sequelize.query<Link & { clock_ms: number | null }>(
      'SELECT * FROM entry WHERE run IN (:ids) ORDER BY run, seq',
      { replacements: { ids }, type: QueryTypes.SELECT },
    )
    const tied = ids.flatMap((id) =>
      chained(
        rows
          .filter(({ run }) => run === id)
          .map((row) => ({ ...row, at: new Date(row.at), received: new Date(row.received), clockMs: row.clock_ms })),
      ),
    )
    for (let at = 0; at < tied.length; at += 500) {
      const part = tied.slice(at, at + 500)
      await sequelize.query(
        `UPDATE entry JOIN (${part.map(() => 'SELECT ? AS id, ? AS hash').join(' UNION ALL ')}) made ON made.id = entry.id SET entry.hash = made.hash`,
        { replacements: part.flatMap(({ id, hash }) => [id, hash]) },
      )
    }
  }
  await query.changeColumn('entry', 'hash', { type: DataTypes.CHAR(64), allowNull: false })
}
