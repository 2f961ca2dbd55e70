import { QueryTypes, type QueryInterface, type Sequelize } from 'sequelize'
import { SequelizeStorage, Umzug } from 'umzug'
import { migrationNames, tablesProblem, tablesState } from './migrationNames'
import { tables } from './migrations/0001-tables'

export type Migrations = Readonly<Record<string, (query: QueryInterface) => Promise<void>>>

export const migrations: Record<(typeof migrationNames)[number], Migrations[string]> = {
  '0001-tables': tables,
}

/** What the application's own user may do with a table, where it is less than read, add, change and delete. */
const lessThanAll: Readonly<Record<string, string>> = {
  migration: 'SELECT',
  entry: 'SELECT, INSERT',
  deed: 'SELECT, INSERT',
  approval: 'SELECT, INSERT',
  result_release: 'SELECT, INSERT',
  bottle_move: 'SELECT, INSERT',
  stores_record: 'SELECT, INSERT',
  // A revision is added when it is published; afterwards its state moves on, and what cannot be read is marked.
  revision: 'SELECT, INSERT, UPDATE (state, fault)',
}

/**
 * Brings the tables up to date, then gives the application's user its rights: data only, and in the log and the frozen plans hardly more than to read and to add. Needs the owner's connection.
 * @param app the application's user, as the database writes it
 * @returns the names of the changes that were made
 * @throws Error where the tables are those of another program, which are left as they are
 */
export async function migrate(
  owner: Sequelize,
  app = "'mozle_app'@'127.0.0.1'",
  changes: Migrations = migrations,
): Promise<string[]> {
  const problem = tablesProblem(await tablesState(owner, Object.keys(changes)))
  if (problem) throw new Error(problem)
  const umzug = new Umzug({
    migrations: Object.entries(changes).map(([name, up]) => ({ name, up: () => up(owner.getQueryInterface()) })),
    storage: new SequelizeStorage({ sequelize: owner, tableName: 'migration' }),
    logger: undefined,
  })
  const done = await umzug.up()
  const names = await owner.query<{ name: string }>(
    'SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE()',
    { type: QueryTypes.SELECT },
  )
  for (const { name } of names) {
    // What an earlier release granted is taken back first; a table without a grant has nothing to take back.
    await owner.query(`REVOKE ALL PRIVILEGES ON \`${name}\` FROM ${app}`).catch(() => undefined)
    await owner.query(`GRANT ${lessThanAll[name] ?? 'SELECT, INSERT, UPDATE, DELETE'} ON \`${name}\` TO ${app}`)
  }
  return done.map(({ name }) => name)
}
