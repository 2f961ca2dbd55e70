import { QueryTypes, Sequelize } from 'sequelize'
import { defineModels } from './models'

let kept: Sequelize | undefined

/**
 * The connection to the database that `MOZLE_DB_URL` names, made at first use. The framework may load this module and the models more than once in one process
 * (for pages and for routes); each copy of the models needs a connection it was tied to, so each copy of this module keeps its own.
 */
export function database(): Sequelize {
  if (kept) return kept
  const url = process.env.MOZLE_DB_URL
  if (!url) throw new Error('MOZLE_DB_URL is not set: start the application with ./mozle.')
  kept = connectTo(url, 10)
  return kept
}

/** Whether the database answers within two seconds. */
export async function answersNow(): Promise<boolean> {
  const late = new Promise<false>((resolve) => setTimeout(() => resolve(false), 2000))
  const asked = database()
    .query('SELECT 1', { type: QueryTypes.SELECT })
    .then(() => true)
    .catch(() => false)
  return Promise.race([asked, late])
}

/** Which release of the database answers. */
export async function databaseVersion(): Promise<string> {
  const [found] = await database().query<{ version: string }>('SELECT VERSION() AS version', { type: QueryTypes.SELECT })
  return found!.version
}

/** A connection of its own, for migrations, seeding and tests; close it when done. */
export function connectTo(url: string, connections = 4): Sequelize {
  const sequelize = new Sequelize(url, {
    dialect: 'mariadb',
    logging: false,
    timezone: '+00:00',
    // Benches that write their first entries side by side must not lock the gap between them; nothing here reads twice in one transaction.
    // A process that is busy for a moment still makes its connection.
    dialectOptions: { connectTimeout: 10_000, initSql: ['SET SESSION TRANSACTION ISOLATION LEVEL READ COMMITTED'] },
    pool: { max: connections, min: 0, idle: 10_000, acquire: 20_000 },
    define: { underscored: true, freezeTableName: true, timestamps: false },
  })
  defineModels(sequelize)
  return sequelize
}
