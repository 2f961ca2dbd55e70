import { readFileSync, rmSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { createInterface } from 'node:readline/promises'
import { connectTo } from '@/data/connect'
import { LabSession, Run } from '@/data/models'
import { instrumentKinds } from '@/devices/line'
import { migrate } from '@/data/migrate'
import { isOn } from '@/server/day'
import { build } from './build'
import { stopAll, stopAllOnSignals } from './child'
import { diskWords } from './diskWords'
import { firstLink } from './first'
import { databaseRecord, secretsOf, startDatabase } from './database'
import { workFolder } from './home'
import { startInstruments } from './instruments'
import { keepRunning } from './keepRunning'
import { takeLock } from './lock'
import { endLeftOver } from './process'
import { seed } from './seed'
import { runningWords } from './runningWords'
import { serve } from './serve'

const firstPort = 4310
/** A first start installs and builds; whoever waits for it waits so long. */
const longestStartMs = 10 * 60_000

/** `mozle demo`: everything from nothing to a served demo, until it is stopped. */
export async function demo(args: string[]): Promise<void> {
  const wanted = args.includes('--port') ? Number(args[args.indexOf('--port') + 1]) : firstPort
  if (!Number.isInteger(wanted) || wanted < 1 || wanted > 65_535) return fail('--port takes a number from 1 to 65535.', 2)
  const folder = workFolder('demo')
  const noteFile = path.join(folder, 'running')
  const lock = takeLock('demo')
  if ('heldBy' in lock) {
    if (args.includes('--fresh'))
      return fail(`The demo is running (process ${lock.heldBy}). Stop it first: nothing is deleted under a running database.`)
    return tellOfTheOther(noteFile, args)
  }
  stopAllOnSignals()
  process.once('exit', () => {
    rmSync(noteFile, { force: true })
    lock.release()
  })
  try {
    // A command that was killed may have left its database and its application running.
    const appRecord = path.join(folder, 'app.process')
    const instruments = instrumentKinds.map((kind) => path.join(folder, `instrument-${kind}.process`))
    for (const record of [appRecord, databaseRecord(folder), ...instruments])
      if (await endLeftOver(record)) console.error('mozle: ended what an earlier command had left running')
    if (args.includes('--fresh')) {
      if (!(await isSure(args))) return fail('Nothing was deleted.')
      rmSync(folder, { recursive: true, force: true })
      workFolder('demo')
    }
    const little = await diskWords(folder)
    if (little) console.error(`mozle: ${little}`)
    const [db, built] = await Promise.all([startDatabase(folder, { durable: true }), build('demo')])
    keepRunning('the database', db.process, async () => (await startDatabase(folder, { durable: true, port: db.port })).process)
    const owner = connectTo(db.ownerUrl)
    await migrate(owner)
    await owner.close()
    const made = args.includes('--empty') ? null : await seed(db.ownerUrl)
    const options = {
      instruments: await startInstruments(folder, 'instrument'),
      folder: built,
      dbUrl: db.appUrl,
      cookieKey: secretsOf(folder).cookie,
      log: path.join(folder, 'app.log'),
      record: appRecord,
      port: wanted,
      env: {
        MOZLE_KEYS: path.join(folder, 'keys'),
        MOZLE_DATA: folder,
        MOZLE_BACKUP_TO: path.join(folder, 'backups'),
        MOZLE_LOG: 'warn',
      },
    }
    const served = await serve(options)
    const port = Number(new URL(served.address).port)
    keepRunning('the application', served.process, async () => (await serve({ ...options, port, exactly: true })).process)
    const first = made === null ? await firstLink(db.appUrl, served.address) : undefined
    const note = [
      `Mozle: ${served.address}`,
      '',
      ...(made
        ? [
            'Demo sign-ins, all invented:',
            ...made.people.map(({ role, signIn, password }) => `  ${role.padEnd(13)} ${signIn.padEnd(10)} ${password}`),
            '',
            `Bench codes for today, to type at ${served.address}/bench:`,
            ...(await codesOfToday(db.ownerUrl)),
          ]
        : first
          ? ['Nobody is here yet. The college begins at this address, which is good once and for a week:', `  ${first}`]
          : ['The college has begun: sign in.']),
      '',
      'Ctrl-C stops all of it; the data stays in .mozle/demo. ./mozle demo --fresh starts over.',
    ].join('\n')
    // Codes and passwords are for whoever started it.
    writeFileSync(noteFile, note, { mode: 0o600 })
    console.log(note)
    // Until a signal ends it.
    await new Promise(() => setInterval(() => undefined, 2 ** 30))
  } catch (error) {
    fail((error as Error).message)
  } finally {
    await stopAll()
  }
}

function fail(message: string, code = 1): void {
  console.error(message)
  process.exitCode = code
}

/** Waits for the other command to be ready, and says where it serves; fails where it does not get ready. */
async function tellOfTheOther(noteFile: string, args: readonly string[]): Promise<void> {
  if (!tryRead(noteFile)) console.error('Another ./mozle demo is starting; waiting for it.')
  for (const until = Date.now() + longestStartMs; Date.now() < until;) {
    const note = tryRead(noteFile)
    if (note) return console.log(runningWords(note, args))
    const lock = takeLock('demo')
    if ('release' in lock) {
      lock.release()
      return fail('The other ./mozle demo ended before it was ready. Start it again.')
    }
    await new Promise((resolve) => setTimeout(resolve, 500))
  }
  fail('The other ./mozle demo is not ready after ten minutes.')
}

/** Asks before the demo's data is deleted; `--yes` answers for those who are not at a terminal. */
async function isSure(args: string[]): Promise<boolean> {
  if (args.includes('--yes')) return true
  if (!process.stdin.isTTY) {
    console.error('--fresh deletes the data in .mozle/demo. There is nobody to ask here: add --yes.')
    return false
  }
  const terminal = createInterface({ input: process.stdin, output: process.stdout })
  const answer = await terminal.question('This deletes all data in .mozle/demo. Type yes to go on: ')
  terminal.close()
  return answer.trim().toLowerCase() === 'yes'
}

async function codesOfToday(url: string): Promise<string[]> {
  const sequelize = connectTo(url)
  try {
    const sessions = await LabSession.findAll()
    const now = new Date()
    const today = sessions.filter((session) => session.startsAt.toDateString() === now.toDateString() || isOn(session, now))
    const runs = await Run.findAll({ where: { session: today.map(({ id }) => id) }, order: [['bench', 'ASC']] })
    return runs.length === 0
      ? ['  none: no session is set for today']
      : [`  ${runs.map(({ bench, code }) => `bench ${bench} ${code}`).join('   ')}`]
  } finally {
    await sequelize.close()
  }
}

function tryRead(file: string): string | undefined {
  try {
    return readFileSync(file, 'utf8')
  } catch {
    return undefined
  }
}
