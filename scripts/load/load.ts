import { rmSync } from 'node:fs'
import path from 'node:path'
import { connectTo } from '@/data/connect'
import { migrate } from '@/data/migrate'
import { build } from '../build'
import { stopAll, stopAllOnSignals } from '../child'
import { secretsOf, startDatabase } from '../database'
import { workFolder } from '../home'
import { clearLeftOver } from '../leftOver'
import { seed } from '../seed'
import { serve } from '../serve'
import { memoryOf } from './memoryOf'
import { openRoom } from './room'
import { pause, round, share } from './round'
import { aborter, watch } from './watch'

/** What is asked of a laboratory full of tablets, each with what it must stay under. */
const rounds = [
  { streams: 100, writers: 20, seconds: 15, p95Ms: 500, mostMs: Infinity },
  { streams: 200, writers: 100, seconds: 15, p95Ms: Infinity, mostMs: 1000 },
]

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
    const app = { folder: built, dbUrl: db.appUrl, cookieKey: secretsOf(folder).cookie }
    const { address, process: child } = await serve({
      ...app,
      log: path.join(workFolder(), 'load-app.log'),
      record: path.join(folder, 'app.process'),
    })
    const room = await openRoom(db.ownerUrl, address, made, Math.max(...rounds.map(({ writers }) => writers)))
    for (const { streams, writers, seconds, p95Ms, mostMs } of rounds) {
      const { delays, answers, wanted } = await round({ addresses: [address], room, streams, writers, seconds })
      const figures = { p50: share(delays, 0.5), p95: share(delays, 0.95), most: share(delays, 1) }
      console.log(
        `${streams} streams, ${writers} writers: an entry is seen after ${figures.p50.toFixed(0)} ms (median), ${figures.p95.toFixed(0)} ms (p95), ${figures.most.toFixed(0)} ms (most); ` +
          `a write answers in ${share(answers, 0.95).toFixed(0)} ms (p95); ${delays.length} of ${wanted} deliveries`,
      )
      if (figures.p95 > p95Ms) missed.push(`p95 of ${figures.p95.toFixed(0)} ms is over ${p95Ms} ms`)
      if (figures.most > mostMs) missed.push(`a delay of ${figures.most.toFixed(0)} ms is over ${mostMs} ms`)
      if (delays.length < wanted) missed.push(`${wanted - delays.length} of ${wanted} deliveries did not come`)
    }
    missed.push(...(await givenBack(address, room.session, room.watcher, child.pid!)))
  } finally {
    await stopAll()
  }
  return missed
}

/** The process cleans up when it likes, as a rule after some thousand: what it holds just after that tells what is not given back. */
const thousands = 8
/** Between the two halves: some 25 kB for each stream that was left. */
const mostMB = 100

/** Opens and leaves streams by the thousand: what they took is given back. */
async function givenBack(address: string, session: string, cookie: string, pid: number): Promise<string[]> {
  const memoryMB = () => memoryOf(pid)
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
  const memory: number[] = []
  for (let thousand = 0; thousand < thousands; thousand++) memory.push(await round())
  const [first, later] = [Math.min(...memory.slice(0, thousands / 2)), Math.min(...memory.slice(thousands / 2))]
  console.log(`after each thousand of streams that were left, MB: ${memory.map((each) => each.toFixed(0)).join(' ')}`)
  return later > first + mostMB
    ? [`memory grew from ${first.toFixed(0)} to ${later.toFixed(0)} MB over ${thousands} thousand streams`]
    : []
}
