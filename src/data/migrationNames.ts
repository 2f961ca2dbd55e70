import { QueryTypes, type Sequelize } from 'sequelize'

/** Every change of the tables, in order. */
export const migrationNames = [
  '0001-people-and-plans',
  '0002-sessions-and-log',
  '0003-shelf-and-archive',
  '0004-laboratory',
  '0005-kept-promises',
  '0006-form-beside-bytes',
  '0007-compared-values',
  '0008-a-real-college',
  '0009-at-the-bench',
  '0010-after-the-day',
  '0011-files-of-groups',
  '0012-chain',
  '0013-stores',
  '0014-more-machines',
  '0015-limits',
] as const

export type MigrationName = (typeof migrationNames)[number]

/** How the tables stand to this program: changes that are still to be made, and changes that a newer program has made. */
export interface TablesState {
  missing: MigrationName[]
  newer: string[]
  /** True where there are no tables at all. */
  empty: boolean
}

export async function tablesState(sequelize: Sequelize): Promise<TablesState> {
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
    missing: migrationNames.filter((name) => !done.includes(name)),
    newer: done.filter((name) => !(migrationNames as readonly string[]).includes(name)),
    empty: tables.length === 0,
  }
}
