import { Run, User } from '@/data/models'
import { courseOfRun } from './actor'
import { limited } from './attempts'
import { sealedCookie } from './cookies'
import { dayIn, isOn } from './day'
import { hashPassword, passwordFits } from './password'
import { Refusal } from './refusal'

/** A hash of nothing anyone knows, so that an unknown name takes as long to refuse as a wrong password. */
let decoy: Promise<string> | undefined

/** The person with this sign-in name and password. @throws Refusal 401 or 429 */
export async function checkPassword(signIn: string, password: string): Promise<User> {
  const name = signIn.trim().toLowerCase()
  const user = await limited(`user:${name}`.slice(0, 160), 8, async () => {
    const found = await User.findOne({ where: { signIn: name } })
    const fits = await passwordFits(found?.passwordHash ?? (await (decoy ??= hashPassword(crypto.randomUUID()))), password)
    return found && fits ? found : null
  })
  if (!user) throw new Refusal(401, 'This name and password do not go together. Check both; the name is the one on your list.')
  return user
}

/** Signs a person in on this device. @throws Refusal */
export async function signIn(name: string, password: string): Promise<void> {
  const user = await checkPassword(name, password)
  const cookie = await sealedCookie('user')
  cookie.user = user.id
  await cookie.save()
}

export async function signOut(): Promise<void> {
  ;(await sealedCookie('user')).destroy()
}

/**
 * Makes this tablet the bench that the code belongs to, for the day of its session. @throws Refusal 401 with words that tell
 * a mistyped code from one of another day
 */
export async function enterBench(code: string, from: string, now = new Date()): Promise<void> {
  const run = await limited(`bench:${from}`.slice(0, 160), 30, () => Run.findOne({ where: { code: code.trim().toUpperCase() } }))
  if (!run) throw new Refusal(401, 'No bench has this code. It has six letters and digits, without 0, 1, I and O.')
  const { session, zone } = await courseOfRun(run)
  const { startsAt } = session
  const day = dayIn(zone, now)
  if (dayIn(zone, startsAt) !== day && !isOn(session, now)) {
    throw new Refusal(401, `This code is for ${dayIn(zone, startsAt)}; today is ${day}. Ask the demonstrator for today’s code.`)
  }
  const cookie = await sealedCookie('bench')
  cookie.bench = { run: run.id, day }
  await cookie.save()
}

export async function leaveBench(): Promise<void> {
  ;(await sealedCookie('bench')).destroy()
}
