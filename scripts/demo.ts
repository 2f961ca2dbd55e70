import { readFileSync, rmSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { connectTo } from '@/data/connect'
import { LabSession, Run } from '@/data/models'
import { migrate } from '@/data/migrate'
import { isOn } from '@/server/day'
import { build } from './build'
import { stopAll, stopAllOnSignals } from './child'
import { secretsOf, startDatabase } from './database'
import { home, workFolder } from './home'
import { takeLock } from './lock'
import { seed } from './seed'
import { serve } from './serve'

const firstPort = 4310

/** `mozle demo`: everything from nothing to a served demo, until it is stopped. */
export async function demo(args: string[]): Promise<void> {
  const wanted = args.includes('--port') ? Number(args[args.indexOf('--port') + 1]) : firstPort
  if (!Number.isInteger(wanted) || wanted < 1 || wanted > 65_535) {
    console.error('--port takes a number from 1 to 65535.')
    process.exitCode = 2
    return
  }
  const folder = workFolder('demo')
  const noteFile = path.join(folder, 'running')
  const lock = takeLock('demo')
  if ('heldBy' in lock) {
    const note = tryRead(noteFile)
    console.log(
      note
        ? `The demo is already running (process ${lock.heldBy}).\n${note}`
        : `Another ./mozle demo (process ${lock.heldBy}) is just starting.`,
    )
    return
  }
  stopAllOnSignals()
  process.once('exit', () => {
    rmSync(noteFile, { force: true })
    lock.release()
  })
  if (args.includes('--fresh')) rmSync(folder, { recursive: true, force: true })
  workFolder('demo')
  try {
    const [db, built] = await Promise.all([startDatabase(folder, { durable: true }), build('demo')])
    const owner = connectTo(db.ownerUrl)
    await migrate(owner)
    await owner.close()
    const made = await seed(db.ownerUrl)
    const served = await serve({
      folder: built,
      dbUrl: db.appUrl,
      cookieKey: secretsOf(folder).cookie,
      log: path.join(folder, 'app.log'),
      port: wanted,
    })
    const note = [
      `Mozle: ${served.address}`,
      '',
      'Demo sign-ins, all invented:',
      ...made.people.map(({ role, signIn, password }) => `  ${role.padEnd(13)} ${signIn.padEnd(10)} ${password}`),
      '',
      `Bench codes for today, to type at ${served.address}/bench:`,
      ...(await codesOfToday(db.ownerUrl)),
      '',
      'Ctrl-C stops all of it; the data stays in .mozle/demo. ./mozle demo --fresh starts over.',
    ].join('\n')
    writeFileSync(noteFile, note)
    console.log(note)
    await new Promise((resolve) => served.process.once('exit', resolve))
    if (process.exitCode === undefined)
      throw new Error(
        `The application ended by itself; its own words are in ${path.relative(home, path.join(folder, 'app.log'))}`,
      )
  } catch (error) {
    console.error((error as Error).message)
    process.exitCode = 1
  } finally {
    await stopAll()
  }
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
