import { thisMoment } from './clock'
import { createHash } from 'node:crypto'
import { database } from '@/data/connect'
import { dayOfCode, peopleOfSignIns, placesOfRuns, type PlaceOfRun, type SignedInPerson } from '@/data/people'
import { readCookie, signInMs } from './cookies'
import { dayIn } from './day'
import { labFrom } from './laboratory'
import { Refusal } from './refusal'
import type { Actor } from './rights'

export type Person = Actor & { kind: 'user' }
export type BenchActor = Actor & { kind: 'bench' }

/** What a sign-in remembers of the password it was opened with: another password, another fingerprint. */
export function fingerprint(passwordHash: string): string {
  return createHash('sha256').update(passwordHash).digest('hex')
}

/** The person signed in with this request, or null. Roles are read anew each time, so a right withdrawn is withdrawn at once. */
export async function signedIn(now = thisMoment()): Promise<Person | null> {
  database()
  const { signIn } = await readCookie('user')
  return signIn ? ((await peopleSignedIn([signIn], now)).get(signIn) ?? null) : null
}

/** The same for what only a person does. @throws Refusal 401 where nobody is signed in */
export async function signedInHere(): Promise<Person> {
  const person = await signedIn()
  if (!person) throw new Refusal(401, 'Sign in first.')
  return person
}

/** The people behind sign-ins that still stand: not signed out, not too old, the password not changed since. */
export async function peopleSignedIn(signIns: readonly string[], now: Date): Promise<Map<string, Person>> {
  const people = await peopleOfSignIns(signIns, new Date(now.getTime() - signInMs))
  return new Map(
    people
      .filter(({ passwordHash, password }) => fingerprint(passwordHash) === password)
      .map((each) => [each.signIn, personFrom(each)]),
  )
}

function personFrom({ id, name, roles, administrator, signIn }: SignedInPerson): Person {
  return { kind: 'user', id, name, roles, administrator, signIn }
}

/** The bench this tablet is bound to, or null. */
export async function benchHere(now = thisMoment()): Promise<BenchActor | null> {
  database()
  const { bench } = await readCookie('bench')
  if (!bench) return null
  const place = dayOfCode(await placesOfRuns({ ids: [bench.run] }), bench.run, bench.code)
  return place ? benchAt(place, bench.code, now) : null
}

/** What a code opens in a run at a moment; null for a code that is no longer its own, and before the session's day. */
export function benchAt(place: PlaceOfRun, code: string, now: Date): BenchActor | null {
  const { run, bench, members, course } = place
  const here = { kind: 'bench' as const, run, bench, members, course, code, writesUntil: writesUntil(place) }
  if (code === place.readCode) return { ...here, state: 'reading' }
  if (code !== place.code || dayIn(place.zone, now) < dayIn(place.zone, place.startsAt)) return null
  return { ...here, state: now.getTime() <= here.writesUntil ? 'open' : 'late' }
}

/** The moment at which a session's benches close: its end and the grace that the course's owner gives, ms. */
export function writesUntil({ endsAt, lab }: Pick<PlaceOfRun, 'endsAt' | 'lab'>): number {
  return endsAt.getTime() + labFrom(lab).graceMin * 60_000
}
