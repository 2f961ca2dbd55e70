import { QueryTypes, type QueryInterface, type Sequelize } from 'sequelize'
import { SequelizeStorage, Umzug } from 'umzug'
import type { MigrationName } from './migrationNames'
import { peopleAndPlans } from './migrations/0001-people-and-plans'
import { sessionsAndLog } from './migrations/0002-sessions-and-log'
import { shelfAndArchive } from './migrations/0003-shelf-and-archive'
import { laboratory } from './migrations/0004-laboratory'
import { keptPromises } from './migrations/0005-kept-promises'
import { formBesideBytes } from './migrations/0006-form-beside-bytes'
import { comparedValues } from './migrations/0007-compared-values'
import { aRealCollege } from './migrations/0008-a-real-college'
import { atTheBench } from './migrations/0009-at-the-bench'
import { afterTheDay } from './migrations/0010-after-the-day'
import { filesOfGroups } from './migrations/0011-files-of-groups'
import { chain } from './migrations/0012-chain'
import { stores } from './migrations/0013-stores'
import { moreMachines } from './migrations/0014-more-machines'
import { limits } from './migrations/0015-limits'

const migrations: Record<MigrationName, (query: QueryInterface) => Promise<void>> = {
  '0001-people-and-plans': peopleAndPlans,
  '0002-sessions-and-log': sessionsAndLog,
  '0003-shelf-and-archive': shelfAndArchive,
  '0004-laboratory': laboratory,
  '0005-kept-promises': keptPromises,
  '0006-form-beside-bytes': formBesideBytes,
  '0007-compared-values': comparedValues,
  '0008-a-real-college': aRealCollege,
  '0009-at-the-bench': atTheBench,
  '0010-after-the-day': afterTheDay,
  '0011-files-of-groups': filesOfGroups,
  '0012-chain': chain,
  '0013-stores': stores,
  '0014-more-machines': moreMachines,
  '0015-limits': limits,
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
 * Brings the tables up to date (or up to one migration, for tests), then gives the application's user its rights: data only, and in the log and the frozen
 * plans hardly more than to read and to add. Needs the owner's connection.
 * @param app the application's user, as the database writes it
 */
export async function migrate(owner: Sequelize, upTo?: MigrationName, app = "'mozle_app'@'127.0.0.1'"): Promise<string[]> {
  const umzug = new Umzug({
    migrations: Object.entries(migrations).map(([name, up]) => ({ name, up: () => up(owner.getQueryInterface()) })),
    storage: new SequelizeStorage({ sequelize: owner, tableName: 'migration' }),
    logger: undefined,
  })
  const done = await umzug.up(upTo ? { to: upTo } : {})
  const tables = await owner.query<{ name: string }>(
    'SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE()',
    {
      type: QueryTypes.SELECT,
    },
  )
  for (const { name } of tables) {
    // What an earlier release granted is taken back first; a table without a grant has nothing to take back.
    await owner.query(`REVOKE ALL PRIVILEGES ON \`${name}\` FROM ${app}`).catch(() => undefined)
    if (upTo && name === 'revision') await owner.query(`GRANT SELECT, INSERT, UPDATE, DELETE ON revision TO ${app}`)
    else await owner.query(`GRANT ${lessThanAll[name] ?? 'SELECT, INSERT, UPDATE, DELETE'} ON \`${name}\` TO ${app}`)
  }
  return done.map(({ name }) => name)
}
