import type { SignerView } from '@/views/people'
import { QueryTypes } from 'sequelize'
import { database } from '@/data/connect'
import { User } from '@/data/models'
import type { Person } from './actor'
import { limited, limitedAlone } from './attempts'
import { deviceHere, letIn } from './devices'
import { hashPassword, passwordFits } from './password'
import { Refusal } from './refusal'
import { checkPassword, personOf } from './signIn'

/** A PIN is short, so that hardly any guess is free and the wait soon is long: for one person at one bench, and for one person at all of them. */
const patience = {
  bench: { free: 3, longestS: 900 },
  person: { free: 12, longestS: 600 },
} as const

/** Who may sign readings of a course, by name. */
export async function signersOf(course: string): Promise<SignerView[]> {
  const rows = await database().query<{ id: string; name: string; pin: string }>(
    `SELECT u.id, u.name, u.pin_hash AS pin FROM membership m JOIN user u ON u.id = m.user
     WHERE m.course = :course AND m.role IN ('owner', 'demonstrator') AND u.withdrawn_at IS NULL AND u.password_hash <> '' ORDER BY u.name`,
    { replacements: { course }, type: QueryTypes.SELECT },
  )
  return rows.map(({ id, name, pin }) => ({ id, name, pin: pin !== '' }))
}

/** PINs that anybody would try first. */
const isObvious = (pin: string): boolean => /^(\d)\1+$/.test(pin) || '01234567890'.includes(pin) || '09876543210'.includes(pin)

/** Sets a person's own PIN, or takes it away where it is empty; the password shows that it is they. @throws Refusal 400, 401, 429 */
export async function setPin(person: Person, { pin, password }: { pin: string; password: string }, from: string): Promise<void> {
  const user = await User.findByPk(person.id, { rejectOnEmpty: true })
  const same = await checkPassword(user.signIn, password, from)
  if (same.id !== person.id) throw new Refusal(401, 'This is not your password.', { field: 'password' })
  if (pin !== '' && isObvious(pin))
    throw new Refusal(400, 'This PIN is the first that anybody tries. Take another one.', { field: 'pin' })
  await User.update({ pinHash: pin === '' ? '' : await hashPassword(pin) }, { where: { id: person.id } })
}

/** Whether a person has a PIN. */
export async function hasPin(person: string): Promise<boolean> {
  const user = await User.findByPk(person)
  return user !== null && user.pinHash !== ''
}

/** A hash of nothing anyone knows, so that a person without a PIN takes as long to refuse as a wrong one. */
let decoy: Promise<string> | undefined

/** The person whose PIN this is, tried at a bench. Few tries are free. @throws Refusal 401 or 429 */
export async function checkPin(person: string, pin: string, run: string): Promise<Person> {
  const device = await deviceHere()
  const ownDevice = device.id !== null && device.people.includes(person)
  const check = async () => {
    const user = await User.findOne({ where: { id: person.slice(0, 26), withdrawnAt: null } })
    const fits = await passwordFits(user?.pinHash || (await (decoy ??= hashPassword(crypto.randomUUID()))), pin, ownDevice)
    return user && user.pinHash !== '' && fits ? user : null
  }
  // Where this person has given a secret before, nobody who guesses at another bench holds them up.
  const everywhere = { key: `pin:${person}`, patience: patience.person }
  const atBench = { key: `pin:${person}@${run}`, patience: patience.bench }
  const user = ownDevice
    ? await limitedAlone({ key: `pin:${person}#${device.id}`, patience: patience.bench }, [everywhere, atBench], check)
    : await limited(everywhere.key, everywhere.patience, () => limited(atBench.key, atBench.patience, check))
  if (!user)
    throw new Refusal(401, 'This is not that person’s PIN. After three tries one has to wait; name and password sign as well.')
  await letIn(user.id)
  return personOf(user)
}
