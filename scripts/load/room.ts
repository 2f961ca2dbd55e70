import { ulid } from 'ulid'
import { connectTo } from '@/data/connect'
import { LabSession, Run } from '@/data/models'
import type { College } from '@/demo/college'

/** Asks an application for a change, as a page of its own would. */
export const post = (address: string, where: string, body: unknown, cookie = '', method = 'POST'): Promise<Response> =>
  fetch(`${address}${where}`, {
    method,
    body: JSON.stringify(body),
    headers: { 'content-type': 'application/json', origin: address, ...(cookie ? { cookie } : {}) },
  })

const cookieOf = (answer: Response): string =>
  answer.headers
    .getSetCookie()
    .map((each) => each.split(';')[0])
    .join('; ')

/** A person's cookie. */
export async function signIn(address: string, person: { signIn: string; password: string }): Promise<string> {
  return cookieOf(await post(address, '/api/sign-in', person))
}

/** A session that is on, with the owner who watches it and the benches that write in it. */
export interface Room {
  session: string
  watcher: string
  benches: { run: string; cookie: string }[]
}

/** Sets a session that is on now, with as many benches as write, and opens a tablet at each. */
export async function openRoom(ownerUrl: string, address: string, made: College, benches: number): Promise<Room> {
  const owner = connectTo(ownerUrl)
  const { session, runs } = await fullRoom(made, benches)
  await owner.close()
  const watcher = await signIn(address, made.people[0]!)
  const room: Room = { session, watcher, benches: [] }
  for (const { id, code } of runs)
    room.benches.push({ run: id, cookie: cookieOf(await post(address, '/api/bench', { code }, watcher)) })
  return room
}

let rooms = 0

async function fullRoom(made: College, benches: number) {
  const session = ulid()
  const letter = 'LMNPQRSTUVWXYZ'[rooms++]!
  const [section] = made.sections
  const [preparation] = made.preparations
  const at = Date.now()
  await LabSession.create({
    id: session,
    section: section!.id,
    revision: preparation!.revision,
    startsAt: new Date(at - 60_000),
    endsAt: new Date(at + 4 * 3_600_000),
    room: 'x',
  })
  const runs = Array.from({ length: benches }, (_, index) => ({
    id: ulid(),
    session,
    studentGroup: section!.groups[0]!.id,
    bench: index + 1,
    members: 'x',
    scale: 1,
    // Six signs that no other room has.
    code: `${letter}${String(index).padStart(5, '0')}`,
  }))
  await Run.bulkCreate(runs)
  return { session, runs }
}
