import { thisMoment } from './clock'
import { createHash, randomBytes } from 'node:crypto'
import { Op } from 'sequelize'
import { ulid } from 'ulid'
import type { Words } from '@/core/words/say'
import { transacted } from '@/data/connect'
import { CollegeRow, Invitation, Membership, SignIn, User } from '@/data/models'
import { record } from './deeds'
import { hashPassword } from './password'
import { Refusal } from './refusal'

/** How long a link is good for, ms: a week. */
export const linkMs = 7 * 24 * 60 * 60 * 1000

export const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex')

/** 24 random bytes: nobody guesses them. */
const newToken = () => randomBytes(24).toString('base64url')

/** Makes a link for a person to choose a password with; an older one that was not used yet ends. @returns the secret part of its address, which is kept nowhere */
export async function makeLink(user: string | null, by: string | null, now = thisMoment()): Promise<string> {
  const token = newToken()
  await transacted(async (transaction) => {
    await Invitation.destroy({ where: { user, usedAt: null }, transaction })
    await Invitation.create(
      {
        id: ulid(now.getTime()),
        user,
        tokenHash: hashOf(token),
        madeAt: now,
        madeBy: by,
        endsAt: new Date(now.getTime() + linkMs),
      },
      { transaction },
    )
  })
  return token
}

export interface OpenInvitation {
  id: string
  /** Null: the link with which a college begins. */
  person: { id: string; name: string; signIn: string } | null
  endsAt: string
}

/** The invitation behind a link that still stands; null for one that has ended, was used, or never was. */
export async function openInvitation(token: string, now = thisMoment()): Promise<OpenInvitation | null> {
  const found = await Invitation.findOne({ where: { tokenHash: hashOf(token), usedAt: null, endsAt: { [Op.gt]: now } } })
  if (!found) return null
  const user = found.user === null ? null : await User.findOne({ where: { id: found.user, withdrawnAt: null } })
  if (found.user !== null && !user) return null
  return {
    id: found.id,
    person: user && { id: user.id, name: user.name, signIn: user.signIn },
    endsAt: found.endsAt.toISOString(),
  }
}

const gone = () => new Refusal(404, 'This link has ended or was used already. Ask whoever sent it for a new one.')

/** Uses a link up, once: of two who come at the same moment one is refused. */
async function spend(id: string, now: Date): Promise<void> {
  const [used] = await Invitation.update({ usedAt: now }, { where: { id, usedAt: null } })
  if (used !== 1) throw gone()
}

/** Takes up an invitation with a password of one's own; what was opened with an older password ends. @throws Refusal 404 */
export async function takeUp(token: string, password: string, from: string, now = thisMoment()): Promise<{ user: string }> {
  const open = await openInvitation(token, now)
  if (!open?.person) throw gone()
  const passwordHash = await hashPassword(password)
  await spend(open.id, now)
  await User.update({ passwordHash, pinHash: '' }, { where: { id: open.person.id } })
  await SignIn.destroy({ where: { user: open.person.id } })
  await record({ what: 'took up an invitation', person: open.person.id, from }, now)
  return { user: open.person.id }
}

export interface Beginning {
  college: string
  zone: string
  words: Words
  name: string
  signIn: string
  password: string
}

/** Makes the college and its first person, who looks after it. @throws Refusal 404 where the link has ended, 409 where a college has begun */
export async function begin(token: string, wanted: Beginning, from: string, now = thisMoment()): Promise<{ user: string }> {
  const open = await openInvitation(token, now)
  if (!open || open.person) throw gone()
  if ((await User.count()) > 0 || (await CollegeRow.count()) > 0)
    throw new Refusal(409, 'This college has begun already. Sign in.')
  const passwordHash = await hashPassword(wanted.password)
  await spend(open.id, now)
  const user = ulid(now.getTime())
  await transacted(async (transaction) => {
    await CollegeRow.create(
      { id: ulid(), title: wanted.college, zone: wanted.zone, keepNamesMonths: 0, words: JSON.stringify(wanted.words) },
      { transaction },
    )
    await User.create(
      { id: user, signIn: wanted.signIn.toLowerCase(), name: wanted.name, passwordHash, administrator: true },
      { transaction },
    )
  })
  await record({ what: 'began the college', person: user, from }, now)
  return { user }
}

/** True where a person is in no course but this one and looks after no college: whoever may invite there may then let them in anew. */
export async function belongsOnlyTo(user: string, course: string): Promise<boolean> {
  const known = await User.findByPk(user)
  const courses = await Membership.findAll({ where: { user } })
  return known !== null && !known.administrator && courses.every((each) => each.course === course)
}
