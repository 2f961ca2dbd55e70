import { Sequelize } from 'sequelize'
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
