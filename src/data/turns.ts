import { QueryTypes, type Transaction } from 'sequelize'
import { database } from './connect'

/**
 * Takes the turn at what must be changed by one after the other, as the first deed of a transaction: whoever takes it at the same server waits, and of two at different servers of a cluster one is tried again. A lock without a change would hold at one server only.
 */
export async function takeTurn(
  table: 'preparation' | 'section' | 'instrument_file',
  id: string,
  transaction: Transaction,
): Promise<void> {
  await database().query(`UPDATE ${table} SET turn = turn + 1 WHERE id = :id`, {
    replacements: { id },
    type: QueryTypes.UPDATE,
    transaction,
  })
}

/** The same for what goes over the whole college, such as rooms. */
export async function takeTurnOfCollege(transaction: Transaction): Promise<void> {
  await database().query('UPDATE college SET turn = turn + 1', { type: QueryTypes.UPDATE, transaction })
}
