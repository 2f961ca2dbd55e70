import { QueryTypes, type Sequelize } from 'sequelize'
import { SequelizeStorage, Umzug } from 'umzug'
import { peopleAndPlans } from './migrations/0001-people-and-plans'
import { sessionsAndLog } from './migrations/0002-sessions-and-log'
import { laboratory } from './migrations/0004-laboratory'
import { shelfAndArchive } from './migrations/0003-shelf-and-archive'

const migrations = {
  '0001-people-and-plans': peopleAndPlans,
  '0002-sessions-and-log': sessionsAndLog,
  '0003-shelf-and-archive': shelfAndArchive,
  '0004-laboratory': laboratory,
}

export type MigrationName = keyof typeof migrations

/**
 * Brings the tables up to date (or up to one migration, for tests), then gives the application's user its rights: data only,
 * and in the log only to read and to add. Needs the owner's connection.
 */
export async function migrate(owner: Sequelize, upTo?: MigrationName): Promise<string[]> {
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
    if (name === 'migration') continue
    const rights = name === 'entry' ? 'SELECT, INSERT' : 'SELECT, INSERT, UPDATE, DELETE'
    await owner.query(`GRANT ${rights} ON \`${name}\` TO 'mozle_app'@'127.0.0.1'`)
  }
  return done.map(({ name }) => name)
}
