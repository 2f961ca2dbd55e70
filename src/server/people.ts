import { QueryTypes, type Transaction } from 'sequelize'
import { ulid } from 'ulid'
import type { Words } from '@/core/words/say'
import { database, transacted } from '@/data/connect'
import { CollegeRow, Course, Deed, Membership, SignIn, User, type CourseRole } from '@/data/models'
import { takeTurnOfCollege } from '@/data/turns'
import { wordsFrom } from './collegeWords'
import { belongsOnlyTo, makeLink } from './invitations'
import { recheck } from './live'
import { Refusal } from './refusal'
import type { Actor } from './rights'

/** Somebody who works here. */
export interface PersonRow {
  id: string
  name: string
  signIn: string
  role: CourseRole
  /** False until an invitation is taken up. */
  here: boolean
  /** When the link that was made for them ends, where one is open. */
  linkUntil: string | null
  /** True where the owner of this course may make a new link for them. */
  mayLink: boolean
}

/** The people of a course, those who have not taken up their invitation included. */
export async function peopleOfCourse(course: string, now = new Date()): Promise<PersonRow[]> {
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
async function personCalled(name: string, signIn: string): Promise<{ id: string; isNew: boolean }> {
  const known = await User.findOne({ where: { signIn } })
  if (!known) {
    const id = ulid()
    await User.create({ id, signIn, name, passwordHash: '' })
    return { id, isNew: true }
  }
  if (known.withdrawnAt)
    throw new Refusal(409, `“${signIn}” was a person who has been withdrawn. Choose another name to sign in with.`)
  if (known.name.trim().toLowerCase() !== name.trim().toLowerCase())
    throw new Refusal(
      409,
      `“${signIn}” is the sign-in name of somebody else here. Choose another, or write that person’s name as they do.`,
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

/** Who is an owner or looks after the college changes by one after the other, so that two at once never take the last. */
async function inTurn(work: (transaction: Transaction) => Promise<void>): Promise<void> {
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

async function member(course: string, user: string, transaction?: Transaction): Promise<Membership> {
  const found = await Membership.findOne({ where: { user, course }, transaction })
  if (!found) throw new Refusal(404, 'This person does not belong to the course.')
  return found
}

/** A course keeps one owner at least. @throws Refusal 409 */
async function keepsAnOwner(course: string, without: string, transaction: Transaction): Promise<void> {
  const owners = await ownersOf(course, transaction)
  if (owners.every(({ id }) => id === without))
    throw new Refusal(409, 'A course has one owner at least. Make somebody else an owner first.')
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

/** A person as the college's administrator sees them. */
export interface CollegePerson {
  id: string
  name: string
  signIn: string
  administrator: boolean
  here: boolean
  withdrawn: boolean
  courses: string
}

/** What the college's administrator looks after. */
export async function collegeOverview(course?: string) {
  const college = await CollegeRow.findOne()
  const courses = await Course.findAll({
    order: [
      ['title', 'ASC'],
      ['term', 'ASC'],
    ],
  })
  const rows = await database().query<
    Omit<CollegePerson, 'courses'> & { password: string; withdrawnAt: unknown; courses: string | null }
  >(
    `SELECT u.id, u.name, u.sign_in AS signIn, u.administrator, u.password_hash AS password, u.withdrawn_at AS withdrawnAt,
       (SELECT GROUP_CONCAT(CONCAT(m.role, ' of ', c.title, IF(c.term = '', '', CONCAT(', ', c.term))) ORDER BY c.title SEPARATOR '; ')
        FROM membership m JOIN course c ON c.id = m.course WHERE m.user = u.id) AS courses
     FROM user u ORDER BY u.withdrawn_at IS NOT NULL, u.name`,
    { type: QueryTypes.SELECT },
  )
  return {
    course,
    college: college && {
      title: college.title,
      zone: college.zone,
      keepNamesMonths: college.keepNamesMonths,
      words: wordsFrom(college.words),
    },
    courses: courses.map(({ id, title, term, zone }) => ({ id, title, term, zone })),
    people: rows.map(({ password, withdrawnAt, administrator, courses: in_, ...row }): CollegePerson => ({
      ...row,
      administrator: Boolean(administrator),
      here: password !== '',
      withdrawn: withdrawnAt !== null,
      courses: in_ ?? '',
    })),
  }
}

async function known(user: string, transaction?: Transaction): Promise<User> {
  const found = await User.findByPk(user, { transaction })
  if (!found || found.withdrawnAt) throw new Refusal(404, 'There is no such person here.')
  return found
}

/** The college keeps one administrator at least. @throws Refusal 409 */
async function keepsAnAdministrator(without: string, transaction: Transaction): Promise<void> {
  const others = await User.findAll({ where: { administrator: true, withdrawnAt: null }, transaction })
  if (others.every(({ id }) => id === without))
    throw new Refusal(409, 'The college has one administrator at least. Make somebody else one first.')
}

/** Withdraws a person from the college: whatever they have open ends at once, and what they did stays. @throws Refusal 404, 409 */
export async function withdraw(user: string, now = new Date()): Promise<void> {
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

/** Makes a course with its first owner, who is invited where they are new. @throws Refusal 409 */
export async function makeCourse(
  wanted: { title: string; term: string; owner: { name: string; signIn: string } },
  by: string,
): Promise<{ id: string } & Invited> {
  const college = await CollegeRow.findOne({ rejectOnEmpty: true })
  const { id: user, isNew } = await personCalled(wanted.owner.name, wanted.owner.signIn.toLowerCase())
  const id = ulid()
  await transacted(async (transaction) => {
    await Course.create(
      { id, title: wanted.title, term: wanted.term, college: college.title, zone: college.zone },
      { transaction },
    )
    await Membership.create({ user, course: id, role: 'owner' }, { transaction })
  })
  return { id, user, token: isNew ? await makeLink(user, by) : null }
}

/** Changes what the college is called, its clock, and how long students' names are kept. */
export async function changeCollege({
  words,
  ...wanted
}: {
  title: string
  zone: string
  keepNamesMonths: number
  words: Words
}): Promise<void> {
  const college = await CollegeRow.findOne({ rejectOnEmpty: true })
  await college.update({ ...wanted, words: JSON.stringify(words) })
  await Course.update({ college: wanted.title }, { where: {} })
}
