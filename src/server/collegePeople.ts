import { thisMoment } from './clock'
import { QueryTypes, type Transaction } from 'sequelize'
import { database } from '@/data/connect'
import { Deed, Membership, SignIn, User } from '@/data/models'
import { makeLink } from './invitations'
import { inTurn, keepsAnAdministrator, keepsAnOwner } from './lastOnes'
import { recheck } from './live'
import { Refusal } from './refusal'

async function known(user: string, transaction?: Transaction): Promise<User> {
  const found = await User.findByPk(user, { transaction })
  if (!found || found.withdrawnAt) throw new Refusal(404, 'There is no such person here.')
  return found
}

/** Withdraws a person from the college: whatever they have open ends at once, and what they did stays. @throws Refusal 404, 409 */
export async function withdraw(user: string, now = thisMoment()): Promise<void> {
  await inTurn(async (transaction) => {
    const person = await known(user, transaction)
    if (person.administrator) await keepsAnAdministrator(user, transaction)
    const owns = await Membership.findAll({ where: { user, role: 'owner' }, transaction })
    for (const { course } of owns) await keepsAnOwner(course, user, transaction)
    await User.update(
      { withdrawnAt: now, passwordHash: '', pinHash: '', administrator: false },
      { where: { id: user }, transaction },
    )
    await Membership.destroy({ where: { user }, transaction })
    await SignIn.destroy({ where: { user }, transaction })
  })
  await recheck()
}

/** Everything that is held of a person who works here, or did. @throws Refusal 404 */
export async function exportPerson(id: string) {
  const person = await User.findByPk(id)
  if (!person) throw new Refusal(404, 'There is no such person.')
  const courses = await database().query<{ title: string; term: string; role: string }>(
    'SELECT c.title, c.term, m.role FROM membership m JOIN course c ON c.id = m.course WHERE m.user = :id ORDER BY c.title',
    { replacements: { id }, type: QueryTypes.SELECT },
  )
  const deeds = await Deed.findAll({ where: { person: id }, order: [['id', 'ASC']], raw: true })
  return {
    id,
    name: person.name,
    signIn: person.signIn,
    administrator: Boolean(person.administrator),
    withdrawnAt: person.withdrawnAt,
    courses,
    deeds: deeds.map(({ at, what, about, from }) => ({ at, what, about, from })),
    about: 'Logs of runs name this person by the id above where they signed or wrote what was found later.',
  }
}

/** Forgets a person who was withdrawn: the name goes everywhere; what they did stays under an id that means nothing. @throws Refusal 404, 409 */
export async function forgetPerson(id: string): Promise<void> {
  const person = await User.findByPk(id)
  if (!person) throw new Refusal(404, 'There is no such person.')
  if (!person.withdrawnAt) throw new Refusal(409, 'Withdraw this person first.')
  await person.update({ name: 'somebody who has left', signIn: `left-${id.toLowerCase()}` })
}

/** Makes a person look after the college, or no longer. @throws Refusal 404, 409 */
export async function setAdministrator(user: string, administrator: boolean): Promise<void> {
  await inTurn(async (transaction) => {
    await known(user, transaction)
    if (!administrator) await keepsAnAdministrator(user, transaction)
    await User.update({ administrator }, { where: { id: user }, transaction })
  })
}

/** A new link for anybody of the college. @throws Refusal 404 */
export async function newLinkFor(user: string, by: string): Promise<{ token: string }> {
  await known(user)
  return { token: await makeLink(user, by) }
}
