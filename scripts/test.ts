import { spawn } from 'node:child_process'
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { connectTo } from '@/data/connect'
import { migrate } from '@/data/migrate'
import { build } from './build'
import { stopAll, stopAllOnSignals } from './child'
import { Cluster } from './cluster/nodes'
import { clearLeftOver } from './leftOver'
import { secretsOf, startDatabase, type RunningDatabase } from './database'
import { firstLink } from './first'
import { home, workFolder } from './home'
import { held } from './load/held'
import { load } from './load/load'
import { ensurePackages } from './packages'
import type { Stand } from '../e2e/stand'
import { addSecondCourse } from './secondCourse'
import { seed } from './seed'
import { startInstruments } from './instruments'
import { serve } from './serve'
import { watched } from './watched'
import { suiteFiles, testFiles } from './together/files'

interface Count {
  passed: number
  failed: number
}

/** One more than a small machine has cores: a test in a browser mostly waits. */
const workers = 3

/** A slow machine may take ten times as long as a quick one. */
const longestTestMs = 60_000

const progress = path.join(home, 'scripts/progress.cjs')

const bin = (name: string) => path.join(home, 'node_modules/.bin', name)

/** What needs no running program: each counts as one test. Each row takes its turn, the two rows run side by side. */
const checks: [string, string, string[]][][] = [
  [
    ['format', 'prettier', ['--check', '--log-level', 'warn', '.']],
    ['lint', 'eslint', ['--max-warnings', '0', '.']],
  ],
  [
    ['types', 'tsc', ['--noEmit', '-p', '.']],
    ['layers', 'depcruise', ['--config', '.dependency-cruiser.cjs', '--output-type', 'err', 'src']],
  ],
]

/** `mozle test [core|database|browser|cluster|all|FILE]`: everything, a part, or what needs several servers or many tablets besides; ends with `N passed, N failed`. */
export async function test(args: string[]): Promise<void> {
  const [what, file] = part(args[0])
  if (args[0] === 'all') process.env.MOZLE_ALL = '1'
  const total: Count = { passed: 0, failed: 0 }
  const add = ({ passed, failed }: Count) => {
    total.passed += passed
    total.failed += failed
  }
  await clearLeftOver('test')
  const folder = workFolder(`test-${process.pid}`)
  stopAllOnSignals()
  process.once('exit', () => rmSync(folder, { recursive: true, force: true }))
  const database = async (name: string) => {
    const db = await startDatabase(workFolder(`test-${process.pid}`, name), { durable: false })
    const owner = connectTo(db.ownerUrl)
    await migrate(owner)
    await owner.close()
    return db
  }
  try {
    if (what.includes('static'))
      await Promise.all(
        checks.map(async (row) => {
          for (const [name, program, rest] of row) add(await timed(name, () => check(name, program, rest)))
        }),
      )
    if (what.includes('core')) add(await timed('core', () => jest('core', folder, file, {})))
    const builds = what.includes('browser') ? prepareBrowser() : undefined
    // Awaited below: until then a build that fails must not end the tests of the database.
    builds?.catch(() => undefined)
    // Before its tests begin: an installation may take longer than any of them.
    if (what.includes('service')) ensurePackages('backup')
    const forJest = what.includes('database') ? database('jest') : undefined
    forJest?.catch(() => undefined)
    const ofDatabase = async () => {
      const db = (await forJest)!
      const env = { MOZLE_DB_URL: db.appUrl, MOZLE_OWNER_URL: db.ownerUrl, MOZLE_COOKIE_KEY: 'k'.repeat(40) }
      add(await timed('database', () => jest('database', folder, file, env)))
      await db.stop()
    }
    const colleges = builds && seedStands(forJest, folder, database)
    colleges?.catch(() => undefined)
    const ofService = async () => {
      const built = builds ? await builds : await timed('build', () => build('test'))
      // Its tests wait for applications to come back: nothing else heavy beside them.
      await colleges
      add(await timed('service', () => jest('service', folder, file, { MOZLE_BUILT: built })))
    }
    // All of them mostly wait, each for databases of its own: side by side they take the time of the longest.
    await Promise.all([what.includes('database') && ofDatabase(), what.includes('service') && ofService(), colleges])
    if (builds && colleges) {
      const [built, filled] = [await builds, await colleges]
      const stands = await timed('stands of the browser tests', () => serveStands(built, folder, filled))
      add(await timed('browser', () => playwright(folder, file, { MOZLE_STANDS: JSON.stringify(stands), MOZLE_BUILT: built })))
    }
    if (what.includes('cluster')) {
      await stopAll()
      ensurePackages('cluster')
      const built = await build('test')
      const env = { MOZLE_BUILT: built, MOZLE_CLUSTER: path.join(folder, 'cluster') }
      add(await timed('cluster', () => jest('cluster', folder, file, env)))
      if (!file) add(await timed('database tests at a cluster', () => atCluster(folder)))
    }
    if (what.includes('load')) {
      // What the browser tests left running would be measured too.
      await stopAll()
      const missed = [...(await timed('load', load)), ...(await timed('held', held))]
      for (const words of missed) console.error(words)
      add({ passed: missed.length === 0 ? 1 : 0, failed: missed.length })
    }
  } catch (error) {
    console.error((error as Error).message)
    total.failed++
  } finally {
    await stopAll()
  }
  for (const [name, ms] of times) console.log(`${name.padEnd(30)} ${(ms / 1000).toFixed(0).padStart(4)} s`)
  process.exitCode = total.failed > 0 || total.passed === 0 ? 1 : 0
  console.log(`${total.passed} passed, ${total.failed} failed`)
}

/** The tests of the database once more, at three servers: the owner of the tables at one, the application at another. Every statement of theirs has to pass there. */
async function atCluster(folder: string): Promise<Count> {
  const cluster = await Cluster.start(path.join(folder, 'statements'))
  try {
    return await jest('database', folder, undefined, {
      MOZLE_OWNER_URL: cluster.urlsAt(0).ownerUrl,
      MOZLE_DB_URL: cluster.urls(1).appUrl,
      MOZLE_COOKIE_KEY: 'k'.repeat(40),
    })
  } finally {
    await cluster.stop()
  }
}

interface FilledStands {
  colleges: { db: RunningDatabase; college: string }[]
  empty: RunningDatabase
}

/** A made-up college for each worker in a database of its own, and an empty one. One is filled after the other: the models know one database at a time. */
async function seedStands(
  before: Promise<unknown> | undefined,
  folder: string,
  database: (name: string) => Promise<RunningDatabase>,
): Promise<FilledStands> {
  await before
  const colleges = []
  for (let index = 0; index < workers; index++) {
    const db = await database(`browser-${index}`)
    const college = path.join(folder, `college-${index}.json`)
    const made = await seed(db.ownerUrl)
    const withSecond = { ...made, second: await addSecondCourse(db.ownerUrl, made) }
    writeFileSync(college, JSON.stringify(withSecond), { mode: 0o600 })
    colleges.push({ db, college })
  }
  return { colleges, empty: await database('browser-empty') }
}

/** Two applications and instruments for each college; the first worker has the empty one besides. */
async function serveStands(built: string, folder: string, { colleges, empty }: FilledStands): Promise<Stand[]> {
  const beginning = await emptyStand(built, folder, empty)
  const stands = await Promise.all(
    colleges.map(async ({ db, college }, index): Promise<Stand> => {
      const log = path.join(workFolder(), `test-app-${index}.log`)
      const instruments = await startInstruments(folder, `instrument-${index}`, true)
      const one = { folder: built, dbUrl: db.appUrl, cookieKey: secretsOf(folder).cookie, log, instruments }
      const record = (name: string) => path.join(folder, `app-${index}-${name}.process`)
      const [first, second] = await Promise.all([
        serve({ ...one, record: record('first') }),
        serve({ ...one, record: record('second') }),
      ])
      return { base: first.address, second: second.address, college }
    }),
  )
  // The page with which a college begins is tried by one worker.
  stands[0]!.beginning = beginning
  return stands
}

/** An application on a database where nobody is yet, and the link with which its college begins. */
async function emptyStand(built: string, folder: string, db: RunningDatabase): Promise<{ base: string; link: string }> {
  const { address } = await serve({
    folder: built,
    dbUrl: db.appUrl,
    cookieKey: secretsOf(folder).cookie,
    log: path.join(workFolder(), 'test-app-empty.log'),
    record: path.join(folder, 'app-empty.process'),
  })
  return { base: address, link: (await firstLink(db.appUrl, address))! }
}

/** What the browser tests need before their databases; it runs beside the tests of the database, which mostly wait. */
async function prepareBrowser(): Promise<string> {
  ensurePackages('browser')
  return timed('build', () => build('test'))
}

/** How long each part took, in the order in which they ended. */
const times: [string, number][] = []

async function timed<T>(name: string, work: () => Promise<T>): Promise<T> {
  const start = performance.now()
  try {
    return await work()
  } finally {
    times.push([name, performance.now() - start])
  }
}

function part(wanted: string | undefined): [string[], string | undefined] {
  const usual = ['static', 'core', 'database', 'service', 'browser']
  if (wanted === undefined) return [usual, undefined]
  if (wanted === 'all') return [[...usual, 'cluster', 'load'], undefined]
  if ([...usual, 'cluster', 'load'].includes(wanted)) return [[wanted], undefined]
  if (/\.e2e(\.ts)?$/.test(wanted) || wanted.startsWith('e2e/')) return [['browser'], wanted]
  if (/\.cluster\.test/.test(wanted)) return [['cluster'], wanted]
  return [[/\.db\.test/.test(wanted) ? 'database' : /\.service\.test/.test(wanted) ? 'service' : 'core'], wanted]
}

function run(program: string, args: string[]): Promise<number> {
  return new Promise((resolve, reject) => {
    const child = spawn(program, args, {
      cwd: home,
      stdio: ['ignore', 'inherit', 'inherit'],
      // Prettier's newer way of starting takes three quarters of the time.
      env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', PRETTIER_EXPERIMENTAL_CLI: '1' },
    })
    child.once('error', reject)
    child.once('exit', (code) => resolve(code ?? 1))
  })
}

async function check(name: string, program: string, args: string[]): Promise<Count> {
  const ok = (await run(bin(program), args)) === 0
  console.log(`${name}: ${ok ? 'passed' : 'failed'}`)
  return { passed: ok ? 1 : 0, failed: ok ? 0 : 1 }
}

/** What Jest is asked for: one file, or all of a project; those of the core share their modules. */
const wanted = (project: string, file: string | undefined): string[] =>
  project === 'core' && !file
    ? ['--selectProjects', 'core', 'together', '--runTestsByPath', ...suiteFiles(), ...testFiles().alone]
    : ['--selectProjects', project, ...(file ? ['--runTestsByPath', file] : [])]

async function jest(project: string, folder: string, file: string | undefined, env: Record<string, string>): Promise<Count> {
  const report = path.join(folder, `${project}.json`)
  const args = [
    ...wanted(project, file),
    '--json',
    `--testTimeout=${longestTestMs}`,
    `--outputFile=${report}`,
    // What a failed test leaves open (a stream, a connection) must not keep the run from ending.
    '--forceExit',
    '--reporters=default',
    `--reporters=${progress}`,
    ...(project !== 'core' ? ['--runInBand'] : []),
  ]
  const ended = await watched(bin('jest'), args, {
    record: path.join(folder, `jest-${project}.process`),
    env,
    silentMs: 5 * longestTestMs,
  })
  if (ended.hung || !existsSync(report)) return { passed: ended.passed, failed: ended.failed + 1 }
  const { numPassedTests, numFailedTests, numRuntimeErrorTestSuites } = JSON.parse(readFileSync(report, 'utf8')) as Record<
    string,
    number
  >
  const failed = numFailedTests! + numRuntimeErrorTestSuites!
  return { passed: numPassedTests!, failed: failed === 0 && ended.code !== 0 ? 1 : failed }
}

async function playwright(folder: string, file: string | undefined, env: Record<string, string>): Promise<Count> {
  const report = path.join(folder, 'browser.json')
  const args = ['test', '--config', 'e2e/playwright.config.ts', ...(file ? [file] : [])]
  const ended = await watched(bin('playwright'), args, {
    record: path.join(folder, 'playwright.process'),
    env: { ...env, PLAYWRIGHT_JSON_OUTPUT_NAME: report },
    silentMs: 300_000,
  })
  if (ended.hung || !existsSync(report)) return { passed: ended.passed, failed: ended.failed + 1 }
  const { stats } = JSON.parse(readFileSync(report, 'utf8')) as { stats: { expected: number; unexpected: number; flaky: number } }
  const failed = stats.unexpected + stats.flaky
  return { passed: stats.expected, failed: failed === 0 && ended.code !== 0 ? 1 : failed }
}
