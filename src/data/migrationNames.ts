import { QueryTypes, type Sequelize } from 'sequelize'

/** Every change of the tables, in order. */
export const migrationNames = ['0001-tables'] as const

/** The first change of tables that stood before the first release. */
const beforeRelease = '0001-people-and-plans'

/** How the tables stand to this program: changes that are still to be made, and changes that another program has made. */
export interface TablesState {
  missing: string[]
  newer: string[]
  /** True where they were made before the first release: this program reads nothing of them. */
  unreleased: boolean
  /** True where there are no tables at all. */
  empty: boolean
}

/** @param known the changes that the program would make */
export async function tablesState(sequelize: Sequelize, known: readonly string[] = migrationNames): Promise<TablesState> {
  const tables = await sequelize.query<{ name: string }>(
    'SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE()',
    { type: QueryTypes.SELECT },
  )
  const done = tables.some(({ name }) => name === 'migration')
    ? (await sequelize.query<{ name: string }>('SELECT name FROM migration ORDER BY name', { type: QueryTypes.SELECT })).map(
        ({ name }) => name,
      )
    : []
  return {
    missing: known.filter((name) => !done.includes(name)),
    newer: done.filter((name) => !known.includes(name)),
    unreleased: done.includes(beforeRelease),
    empty: tables.length === 0,
  }
}

/** Why this program cannot use these tables, and what to do; undefined where it can. */
export function tablesProblem({ newer, unreleased }: TablesState): string | undefined {
  if (unreleased)
    return 'This data was written before the first release of Mozle, in tables that this program does not read. It was left as it is. With the program that wrote it, make a backup, and export what you want to keep: plans as plan files, sessions as archives. Then start with an empty place (the demo: ./mozle demo --fresh) and import the plans.'
  if (newer.length > 0)
    return `This data was written by a newer Mozle (${newer.join(', ')}), and this program would not understand it. Start the newer one again, or restore a backup that was made before it into an empty place.`
  return undefined
}
