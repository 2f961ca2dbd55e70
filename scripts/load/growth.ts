import { rmSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import { QueryTypes } from 'sequelize'
import { connectTo } from '@/data/connect'
import { migrate } from '@/data/migrate'
import { build } from '../build'
import { stopAll, stopAllOnSignals } from '../child'
import { startStand } from '../cluster/stand'
import { secretsOf, startDatabase } from '../database'
import { workFolder } from '../home'
import { clearLeftOver } from '../leftOver'
import { seed } from '../seed'
import { serve } from '../serve'
import { memoryOf } from './memoryOf'
import { openRoom, type Room } from './room'
import { everyMs, round, share } from './round'

const boards = 20
const seconds = 20
const growing = [20, 50, 100, 200]
const most = growing.at(-1)!

/** What is measured: applications at one database, or at a cluster. */
interface Arrangement {
  name: string
  addresses: string[]
  apps: number[]
  servers: { url: string; pid: number }[]
  room: Room
}

/** Statements that the servers have answered so far; a cluster's own work is not among them. */
async function statements(servers: Arrangement['servers']): Promise<number> {
  let sum = 0
  for (const { url } of servers) {
    const asked = connectTo(url, 1)
    const [row] = await asked.query<{ Value: string }>("SHOW GLOBAL STATUS LIKE 'Questions'", { type: QueryTypes.SELECT })
    sum += Number(row!.Value)
    await asked.close()
  }
  return sum
}

const head = ['', 'benches', 'append p50', 'p95', 'board p50', 'p95', 'most', 'came', 'statements/s', 'MB app', 'MB database']
const widths = [30, 8, 11, 8, 10, 8, 8, 7, 13, 10, 12]
const line = (cells: readonly string[]) =>
  console.log(cells.map((cell, at) => (at === 0 ? cell.padEnd(widths[at]!) : cell.padStart(widths[at]!))).join(''))
const ms = (value: number) => `${value.toFixed(0)} ms`
const sumOf = (pids: readonly number[]) => pids.reduce((sum, pid) => sum + memoryOf(pid), 0).toFixed(0)

async function measure({ name, addresses, apps, servers, room }: Arrangement, writers: number): Promise<void> {
  const before = await statements(servers)
  const start = performance.now()
  const { delays, answers, wanted } = await round({ addresses, room, streams: boards, writers, seconds })
  const perSecond = ((await statements(servers)) - before) / ((performance.now() - start) / 1000)
  line([
    name,
    String(writers),
    ...[share(answers, 0.5), share(answers, 0.95), share(delays, 0.5), share(delays, 0.95), share(delays, 1)].map(ms),
    `${((100 * delays.length) / wanted).toFixed(1)} %`,
    perSecond.toFixed(0),
    sumOf(apps),
    sumOf(servers.map(({ pid }) => pid)),
  ])
}

/** `mozle bench load`: benches that write every two seconds while twenty boards watch, on one machine: with one application and two, one database and three. */
export async function growth(): Promise<void> {
  stopAllOnSignals()
  await clearLeftOver('load')
  const folder = workFolder(`load-${process.pid}`)
  process.once('exit', () => rmSync(folder, { recursive: true, force: true }))
  const cpus = os.cpus()
  console.log(
    `${cpus.length} cores (${cpus[0]!.model.trim()}), ${(os.totalmem() / 2 ** 30).toFixed(0)} GB; every bench an entry each ${everyMs / 1000} s, ${boards} boards, ${seconds} s each; everything on this machine, this measuring too`,
  )
  line(head)
  try {
    const built = await build('test')
    const alone = path.join(folder, 'alone')
    workFolder(path.basename(folder), 'alone')
    const db = await startDatabase(alone, { durable: true })
    const owner = connectTo(db.ownerUrl)
    await migrate(owner)
    await owner.close()
    const made = await seed(db.ownerUrl)
    const app = (name: string) =>
      serve({
        ...{ folder: built, dbUrl: db.appUrl, cookieKey: secretsOf(alone).cookie },
        log: path.join(workFolder(), 'load-app.log'),
        record: path.join(folder, `${name}.process`),
      })
    const one = await app('one')
    const room = await openRoom(db.ownerUrl, one.address, made, most)
    const servers = [{ url: db.ownerUrl, pid: db.process.pid! }]
    const single = { name: 'one application, one database', addresses: [one.address], apps: [one.process.pid!], servers, room }
    for (const writers of growing) await measure(single, writers)
    const two = await app('two')
    await measure(
      {
        ...{ servers, room, name: 'two applications, one database' },
        addresses: [one.address, two.address],
        apps: [one.process.pid!, two.process.pid!],
      },
      most,
    )
    await stopAll()
    const { cluster, made: there, apps } = await startStand(path.join(folder, 'cluster'), built, 2)
    await measure(
      {
        name: 'two applications, three nodes',
        addresses: apps.map(({ address }) => address),
        apps: apps.map(({ process: child }) => child.pid!),
        servers: cluster.places.map((_, index) => ({
          url: cluster.urlsAt(index).ownerUrl,
          pid: cluster.processOf(index).pid!,
        })),
        room: await openRoom(cluster.urls().ownerUrl, apps[0]!.address, there, most),
      },
      most,
    )
  } finally {
    await stopAll()
  }
}
