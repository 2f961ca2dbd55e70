import { QueryTypes, type Transaction } from 'sequelize'
import { database, transacted } from '@/data/connect'
import { User } from '@/data/models'
import { takeTurnOfCollege } from '@/data/turns'
import { Refusal } from './refusal'

/** Who is an owner or looks after the college changes by one after the other, so that two at once never take the last. */
export async function inTurn(work: (transaction: Transaction) => Promise<void>): Promise<void> {
  await transacted(async (transaction) => {
    await takeTurnOfCollege(transaction)
    await work(transaction)
  })
}

const ownersOf = (course: string, transaction: Transaction) =>
  database().query<{ id: string }>(
    "SELECT u.id FROM membership m JOIN user u ON u.id = m.user WHERE m.course = :course AND m.role = 'owner' AND u.withdrawn_at IS NULL",
    { replacements: { course }, type: QueryTypes.SELECT, transaction },
  )

/** A course keeps one owner at least. @throws Refusal 409 */
export async function keepsAnOwner(course: string, without: string, transaction: Transaction): Promise<void> {
  const owners = await ownersOf(course, transaction)
  if (owners.every(({ id }) => id === without))
    throw new Refusal(409, 'A course has one owner at least. Make somebody else an owner first.')
}

/** The college keeps one administrator at least. @throws Refusal 409 */
export async function keepsAnAdministrator(without: string, transaction: Transaction): Promise<void> {
  const others = await User.findAll({ where: { administrator: true, withdrawnAt: null }, transaction })
  if (others.every(({ id }) => id === without))
    throw new Refusal(409, 'The college has one administrator at least. Make somebody else one first.')
}
