import type { PersonView } from '@/views/people'
import { thisMoment } from './clock'
import { QueryTypes, type Transaction } from 'sequelize'
import { ulid } from 'ulid'
import { database } from '@/data/connect'
import { Course, Membership, User, type CourseRole } from '@/data/models'
import { belongsOnlyTo, makeLink } from './invitations'
import { inTurn, keepsAnOwner } from './lastOnes'
import { recheck } from './live'
import { lookOf } from './looksLike'
import { Refusal } from './refusal'
import type { Actor } from './rights'

/** The people of a course, those who have not taken up their invitation included. */
export async function peopleOfCourse(course: string, now = thisMoment()): Promise<PersonView[]> {
  const rows = await database().query<{
    id: string
    name: string
    signIn: string
    role: CourseRole
    password: string
    linkUntil: Date | string | null
    administrator: number
    elsewhere: number | bigint
  }>(
    `SELECT u.id, u.name, u.sign_in AS signIn, m.role, u.password_hash AS password, u.administrator,
       (SELECT MAX(i.ends_at) FROM invitation i WHERE i.user = u.id AND i.used_at IS NULL AND i.ends_at > :now) AS linkUntil,
       (SELECT COUNT(*) FROM membership o WHERE o.user = u.id AND o.course <> :course) AS elsewhere
     FROM membership m JOIN user u ON u.id = m.user WHERE m.course = :course AND u.withdrawn_at IS NULL ORDER BY u.name`,
    { replacements: { course, now }, type: QueryTypes.SELECT },
  )
  return rows.map(({ password, linkUntil, administrator, elsewhere, ...row }) => ({
    ...row,
    here: password !== '',
    linkUntil: linkUntil === null ? null : new Date(linkUntil).toISOString(),
    mayLink: !administrator && Number(elsewhere) === 0,
  }))
}

/** The courses that a person belongs to, or that a token is good for, with the newest last. */
export async function coursesOf(actor: Exclude<Actor, { kind: 'bench' }>) {
  const where = actor.kind === 'user' ? { id: Object.keys(actor.roles) } : actor.course === null ? {} : { id: actor.course }
  const rows = await Course.findAll({ where, order: [['id', 'ASC']] })
  return rows.map(({ id, title, term, zone }) => ({ id, title, term, zone }))
}

export interface Invited {
  user: string
  /** The secret part of the link; null for one who is here already and has a password. */
  token: string | null
}

/** Finds or makes the person with a sign-in name. @throws Refusal 409 where that name is someone else's */
export async function personCalled(name: string, signIn: string): Promise<{ id: string; isNew: boolean }> {
  const known = await User.findOne({ where: { signIn } })
  if (!known) {
    const others = await User.findAll({ where: { withdrawnAt: null }, attributes: ['name'] })
    const other = others.find((each) => each.name !== name && lookOf(each.name) === lookOf(name))
    if (other)
      throw new Refusal(
        409,
        `“${name}” looks like “${other.name}”, who is here already. If it is the same person, use their sign-in name; if not, write something that tells the two apart.`,
        { field: 'name' },
      )
    const id = ulid()
    await User.create({ id, signIn, name, passwordHash: '' })
    return { id, isNew: true }
  }
  if (known.withdrawnAt)
    throw new Refusal(409, `“${signIn}” was a person who has been withdrawn. Choose another name to sign in with.`, {
      field: 'signIn',
    })
  if (known.name.trim().toLowerCase() !== name.trim().toLowerCase())
    throw new Refusal(
      409,
      `“${signIn}” is the sign-in name of somebody else here. Choose another, or write that person’s name as they do.`,
      { field: 'signIn' },
    )
  return { id: known.id, isNew: false }
}

/** Invites a person into a course, new to the college or not. @throws Refusal 409 */
export async function invite(
  course: string,
  { name, signIn, role }: { name: string; signIn: string; role: CourseRole },
  by: string | null,
): Promise<Invited> {
  const { id, isNew } = await personCalled(name, signIn.toLowerCase())
  if (await Membership.findOne({ where: { user: id, course } })) throw new Refusal(409, `${name} belongs to this course already.`)
  await Membership.create({ user: id, course, role })
  return { user: id, token: isNew ? await makeLink(id, by) : null }
}

async function member(course: string, user: string, transaction?: Transaction): Promise<Membership> {
  const found = await Membership.findOne({ where: { user, course }, transaction })
  if (!found) throw new Refusal(404, 'This person does not belong to the course.')
  return found
}

/** Gives a person another role in a course; what they have open ends where it may no longer be. @throws Refusal 404, 409 */
export async function changeRole(course: string, user: string, role: CourseRole): Promise<void> {
  await inTurn(async (transaction) => {
    const before = await member(course, user, transaction)
    if (before.role === 'owner' && role !== 'owner') await keepsAnOwner(course, user, transaction)
    await Membership.update({ role }, { where: { user, course }, transaction })
  })
  await recheck()
}

/** Takes a person out of a course. @throws Refusal 404, 409 */
export async function takeOut(course: string, user: string): Promise<void> {
  await inTurn(async (transaction) => {
    const before = await member(course, user, transaction)
    if (before.role === 'owner') await keepsAnOwner(course, user, transaction)
    await Membership.destroy({ where: { user, course }, transaction })
  })
  await recheck()
}

/** A new link for a person of a course, as when a password is forgotten. @throws Refusal 403 where only the college's administrator may */
export async function newLink(course: string, user: string, by: string): Promise<{ token: string }> {
  await member(course, user)
  if (!(await belongsOnlyTo(user, course)))
    throw new Refusal(403, 'This person belongs to other courses too: the college’s administrator makes a new link for them.')
  return { token: (await makeLink(user, by))! }
}
