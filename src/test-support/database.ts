import type { Sequelize } from 'sequelize'
import { connectTo, database } from '@/data/connect'
import { migrate } from '@/data/migrate'

/** An empty database for a test file, migrated; the owner's connection to it. */
export async function emptyDatabase(): Promise<Sequelize> {
  const owner = connectTo(process.env.MOZLE_OWNER_URL!)
  await owner.query('SET FOREIGN_KEY_CHECKS = 0')
  await owner.getQueryInterface().dropAllTables()
  await owner.query('SET FOREIGN_KEY_CHECKS = 1')
  await migrate(owner)
  return owner
}

/** Closes the application's own connection, which would keep a test from ending. */
export async function closeDatabase(): Promise<void> {
  await database().close()
}
