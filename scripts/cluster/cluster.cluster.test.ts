/** Three servers of the database and two applications on this machine: what is lost when some of it is taken away. */
import { existsSync, rmSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { QueryTypes, type Sequelize } from 'sequelize'
import { writePlanFile } from '@/core/format/planFile'
import { connectTo } from '@/data/connect'
import { proveLog } from '@/data/prove'
import { walkInterface } from '@/test-support/interfaceWalk'
import { stopAll, stopChild } from '../child'
import { freePort } from '../freePort'
import { openRoom, post, signIn, type Room } from '../load/room'
import { pause } from '../load/round'
import { aborter, watch } from '../load/watch'
import { signalGroup } from '../process'
import { doctor } from '../service/doctor'
import { startStand, type ClusterStand } from './stand'
import { writes, type Written } from './tablet'

jest.setTimeout(240_000)

const folder = process.env.MOZLE_CLUSTER!
const writers = 20
let stand: ClusterStand
let room: Room
let addresses: string[]

beforeAll(async () => {
  stand = await startStand(folder, process.env.MOZLE_BUILT!, 2)
  addresses = stand.apps.map(({ address }) => address)
  room = await openRoom(stand.cluster.urls().ownerUrl, addresses[0]!, stand.made, writers)
})
afterAll(stopAll)

/** Something asked of one server alone. */
async function at<T>(index: number, work: (owner: Sequelize) => Promise<T>): Promise<T> {
  const owner = connectTo(stand.cluster.urlsAt(index).ownerUrl, 2)
  try {
    return await work(owner)
  } finally {
    await owner.close()
  }
}

/** The log of each run of the room as a server has it. */
const logsAt = (index: number) =>
  at(index, async (owner) => {
    const rows = await owner.query<{ run: string; seq: number; id: string }>(
      'SELECT run, seq, id FROM entry WHERE run IN (:runs) ORDER BY run, seq',
      { replacements: { runs: room.benches.map(({ run }) => run) }, type: QueryTypes.SELECT },
    )
    return new Map(room.benches.map(({ run }) => [run, rows.filter((row) => row.run === run)]))
  })

const sumOf = (name: string) =>
  Promise.all([0, 1, 2].map(async (index) => Number((await stand.cluster.stateOf(index))[name] ?? 0))).then((all) =>
    all.reduce((a, b) => a + b, 0),
  )

/** Each log has what was taken, once, in one row of numbers without a hole, at every server; and every log proves itself. */
async function nothingLost(written: readonly Written[], servers: readonly number[]): Promise<void> {
  for (const server of servers) {
    const logs = await logsAt(server)
    for (const [index, { ids }] of written.entries()) {
      const rows = logs.get(room.benches[index]!.run) ?? []
      expect(rows.map(({ seq }) => seq)).toEqual(rows.map((_, place) => place + 1))
      const found = rows.map(({ id }) => id)
      expect(new Set(found).size).toBe(found.length)
      expect(found).toEqual(expect.arrayContaining(ids))
    }
    expect((await at(server, (owner) => proveLog(owner, [], null))).touched).toEqual([])
  }
}

/** A board that goes on at the other application where one goes away, and what it has seen. */
function board(): { seen: string[]; close: () => void } {
  const seen: string[] = []
  const stop = aborter()
  const follow = async () => {
    let from: string | undefined
    for (let tries = 0; !stop.signal.aborted; tries++) {
      const where = `${addresses[tries % 2]}/api/sessions/${room.session}/live`
      const open = await watch(where, room.watcher, stop.signal, (id) => seen.push(id), from).catch(() => null)
      if (open) from = await open.ended
      await pause(100)
    }
  }
  void follow()
  return { seen, close: () => stop.abort() }
}

test('two tablets of a bench that write through two applications at the same moment are both taken, and no conflict reaches them', async () => {
  const before = (await sumOf('wsrep_local_cert_failures')) + (await sumOf('wsrep_local_bf_aborts'))
  let left = 0
  const both = (bench: Room['benches'][number]) =>
    addresses.map((_, first) => {
      let rounds = 0
      return writes(bench, addresses, { everyMs: 0, until: () => rounds++ >= 12, first: () => first })
    })
  const pairs = await Promise.all(room.benches.slice(0, 10).map((bench) => Promise.all(both(bench))))
  const written = pairs.map(([one, two]): Written => ({
    ids: [...one!.ids, ...two!.ids],
    longestMs: 0,
    refused: [...one!.refused, ...two!.refused],
    unavailable: one!.unavailable + two!.unavailable,
  }))
  for (const { ids, refused, unavailable } of written) {
    expect(ids).toHaveLength(24)
    expect(refused).toEqual([])
    expect(unavailable).toBe(0)
    left += ids.length
  }
  expect(left).toBe(240)
  await nothingLost(written, [0, 1, 2])
  // Else nothing was tried here.
  const after = (await sumOf('wsrep_local_cert_failures')) + (await sumOf('wsrep_local_bf_aborts'))
  console.log(`${after - before} conflicts among 240 entries, none of them seen by a bench`)
  expect(after).toBeGreaterThan(before)
})

test('a server and an application are killed while twenty benches write: nothing is lost or doubled, no hole, and nobody waits five seconds', async () => {
  const [one, two] = [board(), board()]
  await pause(500)
  let over = false
  const writing = Promise.all(
    room.benches.map((bench, index) =>
      writes(bench, addresses, { everyMs: 1500, until: () => over, first: (count) => index + count }),
    ),
  )
  await pause(5000)
  stand.cluster.killNode(0)
  await pause(8000)
  signalGroup(stand.apps[1]!.process.pid!, 'SIGKILL')
  await pause(1000)
  stand.apps[1] = await stand.serveApp(1)
  await pause(6000)
  over = true
  const written = await writing
  const longest = Math.max(...written.map(({ longestMs }) => longestMs))
  const count = written.reduce((sum, { ids }) => sum + ids.length, 0)
  console.log(`${count} entries; the longest wait of a bench was ${longest.toFixed(0)} ms`)
  expect(written.flatMap(({ refused }) => refused)).toEqual([])
  expect(count).toBeGreaterThan(200)
  expect(longest).toBeLessThan(5000)
  await nothingLost(written, [1, 2])

  // Who watched has seen all of it, at whichever application, once each.
  await pause(2000)
  const own = written.flatMap(({ ids }) => ids).sort()
  for (const { seen, close } of [one, two]) {
    const wanted = new Set(own)
    expect(seen.filter((id) => wanted.has(id)).sort()).toEqual(own)
    close()
  }

  // The server that was killed comes back and has what it missed.
  await stand.cluster.startNode(0)
  await nothingLost(written, [0])
  expect((await stand.cluster.stateOf(0)).wsrep_cluster_size).toBe('3')
})

test('the applications are started anew, one after the other, while benches write', async () => {
  let over = false
  const writing = Promise.all(
    room.benches.map((bench, index) =>
      writes(bench, addresses, { everyMs: 1500, until: () => over, first: (count) => index + count }),
    ),
  )
  for (const index of [0, 1]) {
    await pause(3000)
    await stopChild(stand.apps[index]!.process)
    stand.apps[index] = await stand.serveApp(index)
  }
  await pause(3000)
  over = true
  const written = await writing
  expect(written.flatMap(({ refused }) => refused)).toEqual([])
  expect(Math.max(...written.map(({ longestMs }) => longestMs))).toBeLessThan(5000)
  await nothingLost(written, [0, 1, 2])
})

test('a server whose disk is empty is brought up to date as a whole', async () => {
  await stand.cluster.stopNode(2)
  rmSync(path.join(stand.cluster.places[2]!.folder, 'data'), { recursive: true })
  await stand.cluster.startNode(2)
  expect([...(await logsAt(2))]).toEqual([...(await logsAt(0))])
  expect(existsSync(path.join(stand.cluster.places[2]!.folder, 'data/mozle'))).toBe(true)
})

test('the doctor says which server is missing', async () => {
  await stand.cluster.stopNode(2)
  const { ownerUrl, appUrl } = stand.cluster.urls()
  const config = path.join(folder, 'doctor.env')
  writeFileSync(
    config,
    `MOZLE_DATA=${path.join(folder, 'doctor')}\nMOZLE_DATABASE=${appUrl}\nMOZLE_DATABASE_OWNER=${ownerUrl}\nMOZLE_PORT=${await freePort()}\n`,
  )
  const asked = async () => (await doctor(['--config', config])).out.split('\n').filter((line) => /127\.0\.0\.1:\d+ /.test(line))
  const before = await asked()
  await stand.cluster.startNode(2)
  expect(before).toEqual([
    expect.stringMatching(/^WRONG .* sees 2 servers, and 3 are named\.$/),
    expect.stringMatching(/^WRONG .* sees 2 servers, and 3 are named\.$/),
    expect.stringMatching(/^WRONG .* does not answer/),
  ])
  for (const line of await asked()) expect(line).toMatch(/^good .* is in order and sees 3 servers$/)
})

test('a token does what it may at both applications, in whichever it was made, and nothing else', async () => {
  const owner = await signIn(addresses[0]!, stand.made.people[0]!)
  let asked = 0
  const { wrong, asked: count } = await walkInterface({
    addresses,
    course: stand.made.course.id,
    finished: stand.made.sessions[0]!.id,
    other: stand.made.course.id.replace(/.$/, 'X'),
    make: async (wanted) => {
      const answer = await post(addresses[asked++ % 2]!, '/api/college/tokens', wanted, owner)
      return ((await answer.json()) as { token: string }).token
    },
  })
  expect(wrong).toEqual([])
  expect(count).toBeGreaterThan(100)
})

test('a draft that is saved through both applications at once is saved once by each version, and what one said the other shows', async () => {
  const owner = await signIn(addresses[0]!, stand.made.people[0]!)
  const course = stand.made.course.id
  const [preparation] = stand.made.preparations
  const made = await post(addresses[0]!, `/api/courses/${course}/preparations`, { file: writePlanFile(preparation!.plan) }, owner)
  expect(made.status).toBe(200)
  const { id } = (await made.json()) as { id: string }
  const drafts = await at(1, (each) =>
    each.query<{ id: string }>('SELECT id FROM draft WHERE preparation = :id', { replacements: { id }, type: QueryTypes.SELECT }),
  )
  const draft = drafts[0]!.id
  let [version, refused] = [1, 0]
  for (let round = 0; round < 12; round++) {
    const answers = await Promise.all(
      addresses.map((address, index) =>
        post(
          address,
          `/api/revisions/${draft}`,
          { plan: { ...preparation!.plan, aim: `${round} ${index}` }, version },
          owner,
          'PUT',
        ),
      ),
    )
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409])
    refused++
    version++
  }
  expect(refused).toBe(12)
  const [row] = await at(2, (each) =>
    each.query<{ version: number }>('SELECT version FROM draft WHERE id = :id', {
      replacements: { id: draft },
      type: QueryTypes.SELECT,
    }),
  )
  expect(row!.version).toBe(version)
})
