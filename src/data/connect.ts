import { Sequelize } from 'sequelize'
import { defineModels } from './models'

const kept = globalThis as { mozleDatabase?: Sequelize }

/**
 * The connection of this process to the database that `MOZLE_DB_URL` names, made at first use. Kept on the global object because the
 * framework may load this module more than once in one process.
 */
export function database(): Sequelize {
  if (kept.mozleDatabase) return kept.mozleDatabase
  const url = process.env.MOZLE_DB_URL
  if (!url) throw new Error('MOZLE_DB_URL is not set: start the application with ./mozle.')
  kept.mozleDatabase = connectTo(url, 20)
  return kept.mozleDatabase
}

/** A connection of its own, for migrations, seeding and tests; close it when done. */
export function connectTo(url: string, connections = 4): Sequelize {
  const sequelize = new Sequelize(url, {
    dialect: 'mariadb',
    logging: false,
    timezone: '+00:00',
    pool: { max: connections, min: 0, idle: 10_000, acquire: 20_000 },
    define: { underscored: true, freezeTableName: true, timestamps: false },
  })
  defineModels(sequelize)
  return sequelize
}
