import { spawn } from 'node:child_process'
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { connectTo } from '@/data/connect'
import { migrate } from '@/data/migrate'
import { build } from './build'
import { stopAll, stopAllOnSignals } from './child'
import { secretsOf, startDatabase } from './database'
import { home, workFolder } from './home'
import { ensurePackages } from './packages'
import { seed } from './seed'
import { serve } from './serve'

interface Count {
  passed: number
  failed: number
}

const bin = (name: string) => path.join(home, 'node_modules/.bin', name)

/** What needs no running program: each counts as one test. */
const checks: [string, string, string[]][] = [
  ['format', 'prettier', ['--check', '--log-level', 'warn', '.']],
  ['lint', 'eslint', ['--max-warnings', '0', '.']],
  ['types', 'tsc', ['--noEmit', '-p', '.']],
  ['layers', 'depcruise', ['--config', '.dependency-cruiser.cjs', '--output-type', 'err', 'src']],
]

/** `mozle test [core|database|browser|FILE]`: everything, or a part; ends with `N passed, N failed`. */
export async function test(args: string[]): Promise<void> {
  const [what, file] = part(args[0])
  const total: Count = { passed: 0, failed: 0 }
  const add = ({ passed, failed }: Count) => {
    total.passed += passed
    total.failed += failed
  }
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
    if (what.includes('static')) for (const [name, program, rest] of checks) add(await check(name, program, rest))
    if (what.includes('core')) add(await jest('core', folder, file, {}))
    if (what.includes('database')) {
      const db = await database('jest')
      add(
        await jest('database', folder, file, {
          MOZLE_DB_URL: db.appUrl,
          MOZLE_OWNER_URL: db.ownerUrl,
          MOZLE_COOKIE_KEY: 'k'.repeat(40),
        }),
      )
      await db.stop()
    }
    if (what.includes('browser')) {
      ensurePackages('browser')
      const [db, built] = await Promise.all([database('browser'), build('test')])
      const college = path.join(folder, 'college.json')
      writeFileSync(college, JSON.stringify(await seed(db.ownerUrl)))
      const log = path.join(workFolder(), 'test-app.log')
      const one = { folder: built, dbUrl: db.appUrl, cookieKey: secretsOf(folder).cookie, log }
      // Two application processes on one database: what one writes, the other must show.
      const [first, second] = await Promise.all([serve(one), serve(one)])
      add(await playwright(folder, file, { MOZLE_BASE: first.address, MOZLE_BASE_2: second.address, MOZLE_COLLEGE: college }))
    }
  } catch (error) {
    console.error((error as Error).message)
    total.failed++
  } finally {
    await stopAll()
  }
  process.exitCode = total.failed > 0 || total.passed === 0 ? 1 : 0
  console.log(`${total.passed} passed, ${total.failed} failed`)
}

function part(wanted: string | undefined): [string[], string | undefined] {
  if (wanted === undefined) return [['static', 'core', 'database', 'browser'], undefined]
  if (['static', 'core', 'database', 'browser'].includes(wanted)) return [[wanted], undefined]
  if (/\.e2e(\.ts)?$/.test(wanted) || wanted.startsWith('e2e/')) return [['browser'], wanted]
  return [[/\.db\.test/.test(wanted) ? 'database' : 'core'], wanted]
}

function run(program: string, args: string[], env: Record<string, string> = {}): Promise<number> {
  return new Promise((resolve, reject) => {
    const child = spawn(program, args, {
      cwd: home,
      stdio: ['ignore', 'inherit', 'inherit'],
      env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', ...env },
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

async function jest(project: string, folder: string, file: string | undefined, env: Record<string, string>): Promise<Count> {
  const report = path.join(folder, `${project}.json`)
  const code = await run(
    bin('jest'),
    [
      '--selectProjects',
      project,
      '--json',
      `--outputFile=${report}`,
      ...(project === 'database' ? ['--runInBand'] : []),
      ...(file ? [file] : []),
    ],
    env,
  )
  if (!existsSync(report)) return { passed: 0, failed: 1 }
  const { numPassedTests, numFailedTests, numRuntimeErrorTestSuites } = JSON.parse(readFileSync(report, 'utf8')) as Record<
    string,
    number
  >
  const failed = numFailedTests! + numRuntimeErrorTestSuites!
  return { passed: numPassedTests!, failed: failed === 0 && code !== 0 ? 1 : failed }
}

async function playwright(folder: string, file: string | undefined, env: Record<string, string>): Promise<Count> {
  const report = path.join(folder, 'browser.json')
  const code = await run(bin('playwright'), ['test', '--config', 'e2e/playwright.config.ts', ...(file ? [file] : [])], {
    ...env,
    PLAYWRIGHT_JSON_OUTPUT_NAME: report,
    MOZLE_SHOTS: process.env.MOZLE_SHOTS ?? '',
  })
  if (!existsSync(report)) return { passed: 0, failed: 1 }
  const { stats } = JSON.parse(readFileSync(report, 'utf8')) as { stats: { expected: number; unexpected: number; flaky: number } }
  const failed = stats.unexpected + stats.flaky
  return { passed: stats.expected, failed: failed === 0 && code !== 0 ? 1 : failed }
}
