import { setMaxListeners } from 'node:events'
import { rmSync } from 'node:fs'
import { get } from 'node:http'
import path from 'node:path'
import { ulid } from 'ulid'
import { connectTo } from '@/data/connect'
import { migrate } from '@/data/migrate'
import { LabSession, Run } from '@/data/models'
import type { College } from '@/demo/college'
import { build } from './build'
import { stopAll, stopAllOnSignals } from './child'
import { secretsOf, startDatabase } from './database'
import { workFolder } from './home'
import { clearLeftOver } from './leftOver'
import { safetyRead } from './safetyRead'
import { seed } from './seed'
import { serve } from './serve'

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))
const share = (values: readonly number[], part: number) =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(part * values.length))] ?? NaN

/** What is asked of a laboratory full of tablets, each with what it must stay under. */
const rounds = [
  { streams: 100, writers: 20, seconds: 15, p95Ms: 500, mostMs: Infinity },
  { streams: 200, writers: 100, seconds: 15, p95Ms: Infinity, mostMs: 1000 },
]
const everyMs = 2000

/** `mozle load`: streams that watch and benches that write, against an application of its own. @returns what was not reached, in words */
export async function load(): Promise<string[]> {
  stopAllOnSignals()
  await clearLeftOver('load')
  const folder = workFolder(`load-${process.pid}`)
  process.once('exit', () => rmSync(folder, { recursive: true, force: true }))
  const missed: string[] = []
  try {
    const [db, built] = await Promise.all([startDatabase(folder, { durable: true }), build('test')])
    const migrating = connectTo(db.ownerUrl)
    await migrate(migrating)
    await migrating.close()
    const made = await seed(db.ownerUrl)
    const owner = connectTo(db.ownerUrl)
    const { session, runs } = await fullRoom(made, Math.max(...rounds.map(({ writers }) => writers)))
    await owner.close()
    const app = { folder: built, dbUrl: db.appUrl, cookieKey: secretsOf(folder).cookie }
    const { address, process: child } = await serve({
      ...app,
      log: path.join(workFolder(), 'load-app.log'),
      record: path.join(folder, 'app.process'),
    })
    const post = (where: string, body: unknown, cookie = '') =>
      fetch(`${address}${where}`, {
        method: 'POST',
        body: JSON.stringify(body),
        headers: { 'content-type': 'application/json', origin: address, ...(cookie ? { cookie } : {}) },
      })
    const cookieOf = (answer: Response) =>
      answer.headers
        .getSetCookie()
        .map((each) => each.split(';')[0])
        .join('; ')
    const watcher = cookieOf(await post('/api/sign-in', made.people[0]))
    const benches: string[] = []
    for (const { code } of runs) benches.push(cookieOf(await post('/api/bench', { code }, watcher)))

    for (const { streams, writers, seconds, p95Ms, mostMs } of rounds) {
      const sentAt = new Map<string, number>()
      const [delays, answers]: [number[], number[]] = [[], []]
      const stop = aborter()
      await Promise.all(
        Array.from({ length: streams }, () =>
          watch(`${address}/api/sessions/${session}/live`, watcher, stop.signal, (id) => {
            const sent = sentAt.get(id)
            if (sent !== undefined) delays.push(performance.now() - sent)
          }),
        ),
      )
      const until = Date.now() + seconds * 1000
      await Promise.all(
        benches.slice(0, writers).map(async (cookie, index) => {
          await pause((index / writers) * everyMs)
          while (Date.now() < until) {
            const now = new Date()
            const entry = safetyRead(now)
            const start = performance.now()
            sentAt.set(entry.id, start)
            const answer = await post(
              `/api/runs/${runs[index]!.id}/entries`,
              { entries: [entry], sentAt: now.toISOString() },
              cookie,
            )
            if (!answer.ok) throw new Error(`A bench could not write: ${await answer.text()}`)
            answers.push(performance.now() - start)
            await pause(Math.max(0, everyMs - (performance.now() - start)))
          }
        }),
      )
      await pause(1000)
      stop.abort()
      const figures = { p50: share(delays, 0.5), p95: share(delays, 0.95), most: share(delays, 1) }
      const all = sentAt.size * streams
      console.log(
        `${streams} streams, ${writers} writers: an entry is seen after ${figures.p50.toFixed(0)} ms (median), ${figures.p95.toFixed(0)} ms (p95), ${figures.most.toFixed(0)} ms (most); ` +
          `a write answers in ${share(answers, 0.95).toFixed(0)} ms (p95); ${delays.length} of ${all} deliveries`,
      )
      if (figures.p95 > p95Ms) missed.push(`p95 of ${figures.p95.toFixed(0)} ms is over ${p95Ms} ms`)
      if (figures.most > mostMs) missed.push(`a delay of ${figures.most.toFixed(0)} ms is over ${mostMs} ms`)
      if (delays.length < all) missed.push(`${all - delays.length} of ${all} deliveries did not come`)
    }
    missed.push(...(await givenBack(address, session, watcher, child.pid!)))
  } finally {
    await stopAll()
  }
  return missed
}

/** A session that is on now, with as many benches as write. */
async function fullRoom(made: College, benches: number) {
  const session = ulid()
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
    code: `L${String(index).padStart(5, '0')}`,
  }))
  await Run.bulkCreate(runs)
  return { session, runs }
}

/** One that ends hundreds of streams at once, without a warning that these are many. */
function aborter(): AbortController {
  const stop = new AbortController()
  setMaxListeners(0, stop.signal)
  return stop
}

/** Opens a stream and tells every entry's id that comes. By node's own client: two hundred web streams would take the processor that is to be measured. */
function watch(address: string, cookie: string, signal: AbortSignal, seen: (id: string) => void): Promise<void> {
  return new Promise((resolve, reject) => {
    const asking = get(address, { headers: { cookie }, signal, agent: false }, (answer) => {
      if (answer.statusCode !== 200) return reject(new Error(`A stream did not open: ${answer.statusCode}`))
      let text = ''
      answer.setEncoding('latin1').on('data', (part: string) => {
        text += part
        const end = text.lastIndexOf('\n\n')
        if (end < 0) return
        for (const [, id] of text.slice(0, end).matchAll(/"id":"([0-9A-Z]{26})","seq"/g)) seen(id!)
        text = text.slice(end)
      })
      // The round is over.
      answer.on('error', () => undefined)
      resolve()
    })
    asking.on('error', (error) => (signal.aborted ? undefined : reject(error)))
  })
}

/** Opens and leaves a thousand streams: what they took is given back. */
async function givenBack(address: string, session: string, cookie: string, pid: number): Promise<string[]> {
  const { readFileSync } = await import('node:fs')
  const memoryMB = () => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024
  const round = async () => {
    for (let part = 0; part < 10; part++) {
      const stop = aborter()
      await Promise.all(
        Array.from({ length: 100 }, () => watch(`${address}/api/sessions/${session}/live`, cookie, stop.signal, () => undefined)),
      )
      stop.abort()
      await pause(300)
    }
    await pause(3000)
    return memoryMB()
  }
  const [first, second] = [await round(), await round()]
  console.log(`after 1,000 streams that were left ${first.toFixed(0)} MB, after 2,000 ${second.toFixed(0)} MB`)
  return second > first + 60 ? [`memory grew from ${first.toFixed(0)} to ${second.toFixed(0)} MB over a thousand streams`] : []
}
