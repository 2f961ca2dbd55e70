/** The service from nothing to its first page, beside others, killed and upgraded: as systemd would start it. */
import { spawn, spawnSync, type ChildProcess } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { get } from 'node:https'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { TestLog } from '@/test-support/entries'
import { appendEntries, readEntries } from '@/data/entries'
import { connectTo, database } from '@/data/connect'
import { bookFile, readBook } from '@/data/heads'
import { freePort } from '../freePort'
import { seed } from '../seed'
import { statusOf } from '../statusOf'
import { makeCertificate } from './certificate'
import { unitOf, writeFiles } from './install'

const home = process.cwd()
const folder = mkdtempSync(path.join(tmpdir(), 'mozle-start-'))
const data = path.join(folder, 'data')
const children: ChildProcess[] = []
let settings: Record<string, string>

const environment = (more: Record<string, string> = {}) => ({
  PATH: process.env.PATH!,
  NODE_ENV: 'production' as const,
  MOZLE_HOME: home,
  MOZLE_BUILT: process.env.MOZLE_BUILT!,
  TSX_TSCONFIG_PATH: path.join(home, 'tsconfig.json'),
  ...more,
})
const entry = ['--import', `file://${path.join(home, 'node_modules/tsx/dist/esm/index.mjs')}`, path.join(home, 'scripts/main.ts')]
const configFile = (name: string, lines: Record<string, string>) => {
  const file = path.join(folder, name)
  writeFileSync(
    file,
    Object.entries(lines)
      .map(([key, value]) => `${key}=${value}\n`)
      .join(''),
  )
  return file
}
const mozle = (...args: string[]) => {
  const { status, stdout, stderr } = spawnSync(process.execPath, [...entry, ...args], {
    cwd: folder,
    env: environment(),
    encoding: 'utf8',
    timeout: 60_000,
  })
  return { status, out: stdout, err: stderr }
}

/** Starts the service and waits for a line of its journal. */
async function begin(config: string, wanted: RegExp, ...more: string[]): Promise<{ child: ChildProcess; journal: () => string }> {
  let words = ''
  const child = spawn(process.execPath, [...entry, 'start', '--config', config, ...more], {
    cwd: folder,
    env: environment(),
    stdio: ['ignore', 'pipe', 'pipe'],
    detached: true,
  })
  children.push(child)
  for (const stream of [child.stdout!, child.stderr!]) stream.on('data', (bytes: Buffer) => (words += bytes.toString()))
  const until = Date.now() + 50_000
  while (!wanted.test(words)) {
    if (Date.now() > until || child.exitCode !== null)
      throw new Error(`The service did not say ${wanted}:\n${words.slice(-3000)}`)
    await new Promise((resolve) => setTimeout(resolve, 100))
  }
  return { child, journal: () => words }
}
const stop = (child: ChildProcess) =>
  new Promise<void>((resolve) => {
    if (child.exitCode !== null || child.signalCode !== null) return resolve()
    child.once('exit', () => resolve())
    child.kill('SIGTERM')
  })
const pidIn = (name: string) => (JSON.parse(readFileSync(path.join(data, name), 'utf8')) as { pid: number }).pid

beforeAll(async () => {
  settings = { MOZLE_DATA: data, MOZLE_PORT: String(await freePort()), MOZLE_METRICS_PORT: String(await freePort()) }
})
afterAll(async () => {
  for (const child of children) await stop(child)
  rmSync(folder, { recursive: true, force: true })
})

test('half a configuration is refused with all that is missing, and nothing is made', () => {
  const file = configFile('half.env', {
    ...settings,
    MOZLE_ADDRESS: '0.0.0.0',
    MOZLE_SMTP: 'smtp://mail.example',
    MOZLE_PORTS: '1',
  })
  const { status, err } = mozle('start', '--config', file)
  expect(status).toBe(2)
  for (const words of ['MOZLE_PUBLIC does not say', 'MOZLE_MAIL_FROM is not', 'MOZLE_PORTS is no setting; is MOZLE_PORT meant?'])
    expect(err).toContain(words)
  expect(existsSync(data)).toBe(false)
  expect(mozle('doctor', '--config', file)).toMatchObject({
    status: 1,
    out: expect.stringContaining('WRONG  MOZLE_ADDRESS 0.0.0.0') as string,
  })
})

test('from nothing to the page of the first owner; killed, it is back with all that was acknowledged', async () => {
  const config = configFile('mozle.env', settings)
  const base = `http://127.0.0.1:${settings.MOZLE_PORT}`
  const { child, journal } = await begin(config, /the college begins at this address/)
  const [, link] = /begins at this address.*: (\S+)/.exec(journal())!
  const first = await fetch(link!)
  expect([first.status, link!.startsWith(base)]).toEqual([200, true])
  expect(await (await fetch(`${base}/api/health`)).json()).toEqual({ ok: true })
  expect(await (await fetch(`${base}/api/ready`)).json()).toEqual({
    ok: true,
    database: 'answers',
    tables: 'as this program needs them',
    disk: 'has room',
  })
  // A second start of the same data is refused, a command beside it is not.
  expect(mozle('start', '--config', config)).toMatchObject({ status: 1, err: expect.stringContaining('runs already') as string })
  expect(mozle('doctor', '--config', config)).toMatchObject({
    status: 0,
    out: expect.stringContaining('the service runs and is ready') as string,
  })

  // Entries are written by a process beside it, as by a second application, while the database and the application are killed.
  const running = JSON.parse(readFileSync(path.join(data, 'running.json'), 'utf8')) as { url: string; ownerUrl: string }
  process.env.MOZLE_DB_URL = running.url
  const made = await seed(running.ownerUrl)
  const held = made.sessions[0]!.runs[0]!
  database()
  const step = held.entries.at(-1)!.step
  const acknowledged: string[] = []
  let number = 0
  let going = true
  const writing = (async () => {
    while (going) {
      const id = `01JK1LLED${String(++number).padStart(17, '0')}`
      const at = new Date(Date.now() + number * 5000).toISOString()
      const one = { ...new TestLog().add(step, 'observation', { text: 'seen', colour: 'white' }), id, at }
      await appendEntries(held.id, [one], new Date()).then(
        () => acknowledged.push(id),
        () => new Promise((resolve) => setTimeout(resolve, 100)),
      )
    }
  })()
  const back = async (pid: number, since: number) => {
    process.kill(pid, 'SIGKILL')
    await new Promise((resolve) => setTimeout(resolve, 300))
    while ((await statusOf(`${base}/api/ready`)) !== 200) {
      if (Date.now() - since > 20_000) throw new Error(`Not back within 20 s:\n${journal().slice(-2000)}`)
      await new Promise((resolve) => setTimeout(resolve, 100))
    }
  }
  try {
    await back(pidIn('database.process'), Date.now())
    await back(pidIn('app.process'), Date.now())
    await new Promise((resolve) => setTimeout(resolve, 500))
  } finally {
    going = false
  }
  await writing
  expect(acknowledged.length).toBeGreaterThan(10)
  const stands = new Set((await readEntries([held.id]))[held.id]!.map(({ id }) => id))
  expect(acknowledged.filter((id) => !stands.has(id))).toEqual([])
  await database().close()

  // A further application beside it, with the same database and key: a sign-in at one is good at the other, and data and backups are not its own.
  const beside = {
    MOZLE_DATA: path.join(folder, 'beside'),
    MOZLE_PORT: String(await freePort()),
    MOZLE_DATABASE: running.url,
    MOZLE_COOKIE_KEY: (JSON.parse(readFileSync(path.join(data, 'secrets.json'), 'utf8')) as { cookie: string }).cookie,
  }
  const second = await begin(configFile('beside.env', beside), /serving http/, '--app-only')
  const [person] = made.people
  const signedIn = await fetch(`${base}/api/sign-in`, {
    method: 'POST',
    body: JSON.stringify({ signIn: person!.signIn, password: person!.password }),
    headers: { 'content-type': 'application/json', origin: base },
  })
  const cookie = signedIn.headers
    .getSetCookie()
    .map((each) => each.split(';')[0])
    .join('; ')
  const there = `http://127.0.0.1:${beside.MOZLE_PORT}`
  expect((await fetch(`${there}/api/courses`, { headers: { cookie } })).status).toBe(200)
  expect(await (await fetch(`${there}/college/service`, { headers: { cookie } })).text()).toContain('serves beside others')
  expect(await (await fetch(`${base}/college/service`, { headers: { cookie } })).text()).not.toContain('serves beside others')
  expect(existsSync(path.join(folder, 'beside/data'))).toBe(false)
  await stop(second.child)

  // Its figures, its journal, and the proof of its logs.
  const metrics = await (await fetch(`http://127.0.0.1:${settings.MOZLE_METRICS_PORT}/`)).text()
  expect(metrics).toMatch(/mozle_requests_total\{method="GET",status="2xx"\} \d+/)
  expect(metrics).toContain('mozle_entries_total')
  const lines = journal()
    .split('\n')
    .filter((line) => line.startsWith('{'))
    .map((line) => JSON.parse(line) as Record<string, unknown>)
  expect(lines.find(({ path: asked }) => asked === '/api/ready')).toMatchObject({
    level: 'info',
    method: 'GET',
    status: 200,
    request: expect.stringMatching(/^[0-9A-Z]{26}$/) as string,
  })
  expect(journal().replace(/.*begins at this address.*/g, '')).not.toContain(link!.split('/').at(-1)!)
  expect(mozle('verify', '--config', config)).toMatchObject({
    status: 0,
    out: expect.stringContaining('every entry is as it was written') as string,
  })
  const backup = mozle('backup', '--config', config, '--to', path.join(folder, 'kept'))
  expect(backup.status).toBe(0)
  expect(mozle('verify', backup.out.split('\n')[0]!)).toMatchObject({
    status: 0,
    out: expect.stringContaining('nothing is missing, and no log was touched') as string,
  })

  // Somebody who owns the database changes a run, with everything in order: found, once its head has been signed.
  const signed = () => readBook(bookFile(path.join(data, 'keys'))).heads.find(({ run }) => run === held.id)?.seq ?? 0
  for (let wait = 0; wait < 90 && signed() <= 3; wait++) await new Promise((resolve) => setTimeout(resolve, 1000))
  expect(signed()).toBeGreaterThan(3)
  const owner = connectTo(running.ownerUrl)
  await owner.query('DELETE b FROM beside b JOIN entry e ON e.id = b.entry WHERE e.run = :run', {
    replacements: { run: held.id },
  })
  await owner.query('DELETE FROM entry WHERE run = :run AND seq > 3', { replacements: { run: held.id } })
  await owner.query('UPDATE run SET last_seq = 3 WHERE id = :run', { replacements: { run: held.id } })
  await owner.close()
  await stop(child)
  expect(existsSync(path.join(data, 'running.json'))).toBe(false)
  // The service does not run now: the command starts its database by itself.
  const touched = mozle('verify', '--config', config)
  expect(touched).toMatchObject({
    status: 1,
    out: expect.stringMatching(new RegExp(`TOUCHED: the log of run ${held.id} was signed with \\d+ entries`)) as string,
  })
}, 240_000)

test('a backup restored into an empty place starts there, with https of its own', async () => {
  const file = spawnSync('ls', [path.join(folder, 'kept')], { encoding: 'utf8' }).stdout.trim()
  const made = makeCertificate(path.join(folder, 'tls'), ['127.0.0.1'])
  const port = String(await freePort())
  const lines = {
    MOZLE_DATA: path.join(folder, 'elsewhere'),
    MOZLE_PORT: port,
    MOZLE_TLS_CERT: made.cert,
    MOZLE_TLS_KEY: made.key,
    MOZLE_PUBLIC: `https://127.0.0.1:${port}`,
  }
  const config = configFile('elsewhere.env', lines)
  expect(mozle('restore', path.join(folder, 'kept', file), '--config', config)).toMatchObject({
    status: 0,
    out: expect.stringContaining('It is restored') as string,
  })
  const { child } = await begin(config, /serving https:/)
  const head = await new Promise<{ status: number; headers: Record<string, unknown> }>((resolve, reject) =>
    get(`https://127.0.0.1:${port}/sign-in`, { ca: readFileSync(made.authority), agent: false }, (response) => {
      response.resume()
      resolve({ status: response.statusCode!, headers: response.headers })
    }).once('error', reject),
  )
  expect(head.status).toBe(200)
  expect(head.headers['strict-transport-security']).toBe('max-age=31536000')
  expect(head.headers['x-request-id']).toMatch(/^[0-9A-Z]{26}$/)
  await stop(child)
}, 120_000)

test('the unit names this folder, keeps to what it may write, and passes the verifier where there is one', () => {
  const unit = unitOf('/opt/mozle', '/srv/lab')
  expect(unit).toContain('ExecStart=/opt/mozle/mozle start --config /etc/mozle/mozle.env')
  expect(unit).toContain('ReadWritePaths=/srv/lab /opt/mozle/.mozle')
  expect(unit).not.toContain('@')
  const [written, config] = writeFiles(path.join(folder, 'root'), home)
  expect(mozle('doctor', '--config', config!).out).toContain('goes together')
  const { status, stderr, error } = spawnSync('systemd-analyze', ['verify', written!], { encoding: 'utf8' })
  if (error) console.warn('systemd-analyze is not here: the unit was not verified')
  else
    expect([status, stderr.split('\n').filter((line) => line.includes('mozle.service') && !/user|group/i.test(line))]).toEqual([
      0,
      [],
    ])
})
