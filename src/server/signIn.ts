import { thisMoment } from './clock'
import { Op } from 'sequelize'
import { ulid } from 'ulid'
import { placesOfRuns } from '@/data/people'
import { Membership, SignIn, User } from '@/data/models'
import { benchAt, fingerprint, signedIn, type Person } from './actor'
import { limited, limitedAlone } from './attempts'
import { sealedCookie, signInMs } from './cookies'
import { deviceHere, letIn } from './devices'
import { dayIn } from './day'
import { recheck } from './live'
import { hashPassword, passwordFits } from './password'
import { record } from './deeds'
import { Refusal } from './refusal'
import { may } from './rights'
import { forgetOld } from './forgetting'
import { log, plainError } from './log'

/** A hash of nothing anyone knows, so that an unknown name takes as long to refuse as a wrong password. */
let decoy: Promise<string> | undefined

/** A few slips are free; then the wait doubles. From one address to one account up to five minutes, over all addresses up to half a minute. */
const patience = {
  account: { free: 5, longestS: 300 },
  everywhere: { free: 40, longestS: 30 },
  code: { free: 10, longestS: 20 },
} as const

/**
 * The person with this sign-in name and password. Attempts count for the account and the address together, so nobody is locked out by failures made elsewhere; a device that was let in before is
 * counted by itself, so that neither a flood from everywhere nor who guesses behind the same address keeps others out. @throws Refusal 401, 429, 503
 */
export async function checkPassword(signIn: string, password: string, from: string): Promise<Person> {
  const name = signIn.trim().toLowerCase().slice(0, 120)
  const { id: device } = await deviceHere()
  const known = await User.findOne({ where: { signIn: name, withdrawnAt: null } })
  const check = async () => {
    // Whoever has not taken up an invitation yet has no password that could fit.
    const fits = await passwordFits(
      known?.passwordHash || (await (decoy ??= hashPassword(crypto.randomUUID()))),
      password,
      device !== null,
    )
    return known && known.passwordHash !== '' && fits ? known : null
  }
  const everywhere = { key: `user:${name}`, patience: patience.everywhere }
  const address = { key: `user:${name}@${from}`, patience: patience.account }
  const user = device
    ? await limitedAlone({ key: `user:${name}#${device}`, patience: patience.account }, [everywhere, address], check)
    : await limited(everywhere.key, everywhere.patience, () => limited(address.key, address.patience, check))
  if (!user) throw new Refusal(401, 'This name and password do not go together. Check both; the name is the one on your list.')
  await letIn(user.id)
  return personOf(user)
}

/** A person with what they may do, once a secret has shown who it is. */
export async function personOf(user: User): Promise<Person> {
  const memberships = await Membership.findAll({ where: { user: user.id } })
  return {
    kind: 'user',
    id: user.id,
    name: user.name,
    administrator: user.administrator,
    roles: Object.fromEntries(memberships.map(({ course, role }) => [course, role])),
  }
}

/** Signs a person in on this device. @throws Refusal */
export async function signIn(name: string, password: string, from: string, now = thisMoment()): Promise<void> {
  const { id } = await checkPassword(name, password, from)
  await openFor(id, now)
  await record({ what: 'signed in', person: id, from }, now)
  // Names that are no longer kept go when somebody next comes; this may take no sign-in with it.
  await forgetOld(now).catch((error: unknown) => log().error({ error: plainError(error) }, 'old names could not be taken out'))
}

/** Opens a sign-in for a person on this device. */
export async function openFor(id: string, now = thisMoment()): Promise<void> {
  const { passwordHash } = await User.findByPk(id, { rejectOnEmpty: true })
  await SignIn.destroy({ where: { openedAt: { [Op.lt]: new Date(now.getTime() - signInMs) } } })
  const row = await SignIn.create({ id: ulid(now.getTime()), user: id, password: fingerprint(passwordHash), openedAt: now })
  const cookie = await sealedCookie('user')
  cookie.signIn = row.id
  await cookie.save()
  await letIn(id)
}

/** Signs out: the sign-in is gone for everybody who holds its cookie, and what it had open is closed. */
export async function signOut(): Promise<void> {
  const cookie = await sealedCookie('user')
  if (cookie.signIn) await SignIn.destroy({ where: { id: cookie.signIn } })
  cookie.destroy()
  await recheck()
}

/** The code as it is meant, however it was typed: on small keys an O is easily typed for a 0, but codes have neither. */
const asTyped = (code: string) => code.replace(/\s/g, '').toUpperCase()

/**
 * Makes this tablet the bench that the code belongs to, while its session is on; the longer code opens the run to read. @throws Refusal 401 with words that tell
 * a mistyped code from one of another day, 429
 */
export async function enterBench(code: string, from: string, now = thisMoment()): Promise<void> {
  const find = async () => (await placesOfRuns({ code: asTyped(code) }))[0] ?? null
  const person = await signedIn(now)
  const trusted = person && Object.keys(person.roles).some((course) => may(person, 'code.read', { course }))
  // Whoever hands the codes out is not made to wait, so a bench can be opened even while somebody guesses.
  const { id: device } = await deviceHere()
  const address = { key: `code@${from}`, patience: patience.code }
  const place = trusted
    ? await find()
    : device
      ? await limitedAlone({ key: `code#${device}`, patience: patience.code }, [address], find, now)
      : await limited(address.key, address.patience, find, now)
  if (!place)
    throw new Refusal(
      401,
      'No bench has this code. It has six letters and digits, or eight to read a run, without 0, 1, I and O.',
    )
  const bench = benchAt(place, asTyped(code), now)
  if (!bench || bench.state === 'late') {
    const [theirs, today] = [dayIn(place.zone, place.startsAt), dayIn(place.zone, now)]
    throw new Refusal(
      401,
      theirs === today
        ? 'This session is over, and its bench codes with it. The code for reading, on the bench card, opens the run to read.'
        : `This code is for ${theirs}; today is ${today}. Ask the demonstrator for today’s code.`,
    )
  }
  const cookie = await sealedCookie('bench')
  cookie.bench = { run: place.run, code: bench.code }
  await cookie.save()
  await letIn()
}

export async function leaveBench(): Promise<void> {
  ;(await sealedCookie('bench')).destroy()
}
