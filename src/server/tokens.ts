import type { TokenView } from '@/views/people'
import { thisMoment } from './clock'
import { createHash, randomBytes } from 'node:crypto'
import { Op } from 'sequelize'
import { ulid } from 'ulid'
import { Course, TokenRow, User } from '@/data/models'
import { Refusal } from './refusal'
import { tokenRights, type Actor, type TokenRight } from './rights'

/** A program of the college that asks with a token. */
export type TokenActor = Actor & { kind: 'token' }

/** So that a secret that got into the wrong place is known for what it is. */
const prefix = 'mozle_'
const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex')

/** The last use is noted to the minute. */
const notedMs = 60_000
const dayMs = 24 * 60 * 60 * 1000
export const longestDays = 730

export interface WantedToken {
  name: string
  rights: readonly TokenRight[]
  /** Null: every course of the college, those of later terms too. */
  course: string | null
  days: number
}

/** Makes a token. @returns its secret, which is kept nowhere @throws Refusal 404 for a course that is not there */
export async function makeToken(
  { name, rights, course, days }: WantedToken,
  by: string,
  now = thisMoment(),
): Promise<{ id: string; token: string }> {
  if (course !== null && !(await Course.findByPk(course))) throw new Refusal(404, 'There is no such course.')
  const token = `${prefix}${randomBytes(32).toString('base64url')}`
  const id = ulid(now.getTime())
  await TokenRow.create({
    id,
    name,
    tokenHash: hashOf(token),
    rights: [...new Set(rights)].join(' '),
    course,
    madeAt: now,
    madeBy: by,
    endsAt: new Date(now.getTime() + days * dayMs),
  })
  return { id, token }
}

const rightsIn = (text: string): TokenRight[] => tokenRights.filter((right) => text.split(' ').includes(right))

/** Every token that was made, the newest first; never its secret. */
export async function tokensOfCollege(): Promise<TokenView[]> {
  const rows = await TokenRow.findAll({ order: [['id', 'DESC']] })
  const [people, courses] = await Promise.all([
    User.findAll({ where: { id: rows.map(({ madeBy }) => madeBy) }, attributes: ['id', 'name'] }),
    Course.findAll({ where: { id: rows.flatMap(({ course }) => course ?? []) }, attributes: ['id', 'title', 'term'] }),
  ])
  return rows.map(({ id, name, rights, course, madeAt, madeBy, endsAt, usedAt, withdrawnAt }) => {
    const of = courses.find((each) => each.id === course)
    return {
      id,
      name,
      rights: rightsIn(rights),
      course: of ? [of.title, of.term].filter(Boolean).join(', ') : null,
      madeAt: madeAt.toISOString(),
      madeBy: people.find((each) => each.id === madeBy)?.name ?? '',
      endsAt: endsAt.toISOString(),
      usedAt: usedAt?.toISOString() ?? null,
      withdrawnAt: withdrawnAt?.toISOString() ?? null,
    }
  })
}

/** Withdraws a token: nothing is answered to it from then on, at whichever application. @throws Refusal 404 */
export async function withdrawToken(id: string, now = thisMoment()): Promise<void> {
  const [changed] = await TokenRow.update({ withdrawnAt: now }, { where: { id, withdrawnAt: null } })
  if (changed === 0 && !(await TokenRow.findByPk(id))) throw new Refusal(404, 'There is no such token.')
}

/** Whether a token is for a course, which has to be there: a token for all of them names none. */
export async function isForCourse(actor: TokenActor, course: string): Promise<boolean> {
  return actor.course === null ? (await Course.count({ where: { id: course } })) > 0 : actor.course === course
}

/** Who asks with a token that stands; null for one that has ended, was withdrawn or never was. */
export async function tokenHere(secret: string, now = thisMoment()): Promise<TokenActor | null> {
  const row = await TokenRow.findOne({ where: { tokenHash: hashOf(secret), withdrawnAt: null, endsAt: { [Op.gt]: now } } })
  if (!row) return null
  const before = new Date(now.getTime() - notedMs)
  await TokenRow.update(
    { usedAt: now },
    { where: { id: row.id, [Op.or]: [{ usedAt: null }, { usedAt: { [Op.lt]: before } }] } as never },
  )
  return { kind: 'token', id: row.id, name: row.name, rights: rightsIn(row.rights), course: row.course }
}
