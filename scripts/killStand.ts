/** An application and its database that are started again whenever they end, for the test that kills them: says on one line where they are, and ends on a signal. */
import path from 'node:path'
import { rmSync } from 'node:fs'
import { connectTo } from '@/data/connect'
import { migrate } from '@/data/migrate'
import { stopAllOnSignals } from './child'
import { databaseRecord, secretsOf, startDatabase } from './database'
import { workFolder } from './home'
import { keepRunning } from './keepRunning'
import { seed } from './seed'
import { serve } from './serve'

stopAllOnSignals()
const folder = workFolder(`kills-${process.pid}`)
process.once('exit', () => rmSync(folder, { recursive: true, force: true }))
const db = await startDatabase(folder, { durable: true })
keepRunning('the database', db.process, async () => (await startDatabase(folder, { durable: true, port: db.port })).process)
const owner = connectTo(db.ownerUrl)
await migrate(owner)
await owner.close()
const made = await seed(db.ownerUrl)
const record = path.join(folder, 'app.process')
const options = {
  folder: process.argv[2]!,
  dbUrl: db.appUrl,
  cookieKey: secretsOf(folder).cookie,
  log: path.join(folder, 'app.log'),
  record,
}
const served = await serve(options)
const port = Number(new URL(served.address).port)
keepRunning('the application', served.process, async () => (await serve({ ...options, port, exactly: true })).process)
const [, today] = made.sessions
console.log(JSON.stringify({ base: served.address, code: today!.runs[0]!.code, records: [record, databaseRecord(folder)] }))
await new Promise(() => setInterval(() => undefined, 2 ** 30))
