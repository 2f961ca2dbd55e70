import { X509Certificate } from 'node:crypto'
import { accessSync, constants, existsSync, readFileSync } from 'node:fs'
import { statfs } from 'node:fs/promises'
import { QueryTypes } from 'sequelize'
import { addressesOf } from '@/data/addresses'
import { connectTo } from '@/data/connect'
import { tablesProblem, tablesState } from '@/data/migrationNames'
import { leastFreeBytes } from '@/server/health'
import type { Outcome } from '../outcome'
import { freePort } from '../freePort'
import { statusOf } from '../statusOf'
import { ConfigError, readConfig, type Config } from './config'
import { runningService } from './database'
import { statusFile, type BackupStatus } from './nightly'

interface Finding {
  ok: boolean | null
  words: string
}

const good = (words: string): Finding => ({ ok: true, words })
const bad = (words: string): Finding => ({ ok: false, words })
/** What is no fault and ought to be known. */
const note = (words: string): Finding => ({ ok: null, words })

function programs(): Finding[] {
  const [major = 0, minor = 0] = process.versions.node.split('.').map(Number)
  const needs = [
    ['/usr/sbin/mariadbd', 'mariadb-server-core'],
    ['/usr/bin/mariadb', 'mariadb-client-core'],
    ['/usr/bin/mariadb-dump', 'mariadb-client'],
  ] as const
  return [
    major > 20 || (major === 20 && minor >= 12)
      ? good(`Node.js ${process.versions.node}`)
      : bad(`Node.js ${process.versions.node}: 20.12 or newer is needed.`),
    ...needs.map(([file, name]) => (existsSync(file) ? good(file) : bad(`${file} is missing: apt-get install ${name}`))),
  ]
}

async function place(config: Config): Promise<Finding[]> {
  const { dataFolder } = config
  if (!existsSync(dataFolder)) return [note(`${dataFolder} is not there yet; it is made at the first start.`)]
  try {
    accessSync(dataFolder, constants.R_OK | constants.W_OK | constants.X_OK)
  } catch {
    return [bad(`${dataFolder} cannot be written by this user: call this as the one that the service runs as.`)]
  }
  const { bavail, bsize } = await statfs(dataFolder)
  const free = `${(bavail * bsize * 1e-9).toFixed(1)} GB are free at ${dataFolder}`
  return [
    bavail * bsize < leastFreeBytes
      ? bad(`${free}: the service calls itself not ready below ${leastFreeBytes * 1e-6} MB.`)
      : good(free),
  ]
}

async function served(config: Config): Promise<Finding[]> {
  const running = runningService(config)
  if (!running) {
    const free = (await freePort(config.port)) === config.port
    return [
      note('The service does not run.'),
      free
        ? good(`port ${config.port} is free`)
        : bad(`Port ${config.port} is taken by another program: give Mozle another one in MOZLE_PORT.`),
    ]
  }
  const host = ['0.0.0.0', '::'].includes(config.address) ? '127.0.0.1' : config.address
  const status = await statusOf(`${config.tls ? 'https' : 'http'}://${host}:${config.port}/api/ready`)
  return [
    status === 200
      ? good(`the service runs and is ready (${running.address})`)
      : bad(`The service runs and is not ready (${status ?? 'no answer'}): its journal says why.`),
  ]
}

async function database(config: Config): Promise<Finding[]> {
  const reached = config.database ?? runningService(config)
  if (!reached) return [note('Its own database is looked at while the service runs.')]
  const found: Finding[] = []
  const users = [
    ['the application’s user', reached.url],
    ...(config.appOnly ? [] : [['the owner of the tables', reached.ownerUrl] as const]),
  ] as const
  for (const [who, url] of users) {
    const sequelize = connectTo(url, 1)
    try {
      const state = await tablesState(sequelize)
      const problem = tablesProblem(state)
      const { missing, empty } = state
      found.push(
        problem
          ? bad(problem)
          : empty || missing.length > 0
            ? note(`${who} reaches the database; the tables are changed at the next start`)
            : good(`${who} reaches the database, and its tables are those of this program`),
      )
    } catch (error) {
      found.push(bad(`${who} does not reach the database: ${(error as Error).message.slice(0, 200)}`))
    } finally {
      await sequelize.close().catch(() => undefined)
    }
  }
  return found
}

/** Where several servers are named: whether each answers, and sees the others. */
async function cluster(config: Config): Promise<Finding[]> {
  const { hosts, urls } = addressesOf(config.database?.url ?? 'mariadb://localhost')
  if (hosts.length < 2) return []
  return Promise.all(
    urls.map(async (url, index): Promise<Finding> => {
      const name = `${hosts[index]!.host}:${hosts[index]!.port}`
      const asked = connectTo(url, 1)
      try {
        const rows = await asked.query<{ name: string; value: string }>(
          "SELECT LOWER(variable_name) AS name, variable_value AS value FROM information_schema.global_status WHERE variable_name LIKE 'wsrep_%'",
          { type: QueryTypes.SELECT },
        )
        const said = Object.fromEntries(rows.map((row) => [row.name, row.value]))
        const [size, state] = [Number(said.wsrep_cluster_size), said.wsrep_local_state_comment]
        if (said.wsrep_cluster_status !== 'Primary' || state !== 'Synced')
          return bad(
            `${name} is not part of the cluster: ${said.wsrep_cluster_status ?? 'it knows none'}, ${state ?? 'no state'}.`,
          )
        return size === hosts.length
          ? good(`${name} is in order and sees ${size} servers`)
          : bad(`${name} sees ${size} servers, and ${hosts.length} are named.`)
      } catch (error) {
        return bad(`${name} does not answer: ${(error as Error).message.slice(0, 200)}`)
      } finally {
        await asked.close()
      }
    }),
  )
}

function reachedBy(config: Config, now: Date): Finding[] {
  const { publicAddress, tls } = config
  const found = publicAddress?.startsWith('https:')
    ? [good(`people find it at ${publicAddress}`)]
    : [
        note(
          'Without https, browsers give tablets no offline work and no camera: set MOZLE_PUBLIC, with a proxy or a certificate.',
        ),
      ]
  if (!tls) return found
  try {
    const days = Math.floor((Date.parse(new X509Certificate(readFileSync(tls.cert)).validTo) - now.getTime()) / 86_400_000)
    found.push(
      days < 0
        ? bad('The certificate has ended: ./mozle certificate makes a new one.')
        : days < 30
          ? bad(`The certificate ends in ${days} days: ./mozle certificate makes a new one.`)
          : good(`the certificate is good for ${days} days`),
    )
  } catch (error) {
    found.push(bad(`The certificate cannot be read: ${(error as Error).message}`))
  }
  return found
}

function backups(config: Config, now: Date): Finding[] {
  if (config.backup.at === null) return [note('No backup is made by night: set MOZLE_BACKUP_AT.')]
  const file = statusFile(config.dataFolder)
  if (!existsSync(file)) return [note(`The first nightly backup comes at ${config.backup.at}.`)]
  const { at, ok, words } = JSON.parse(readFileSync(file, 'utf8')) as BackupStatus
  const hours = (now.getTime() - Date.parse(at)) / 3_600_000
  if (!ok) return [bad(`The last nightly backup failed: ${words}`)]
  return [
    hours > 36 ? bad(`The last nightly backup is ${Math.round(hours)} hours old.`) : good(`the last nightly backup is ${words}`),
  ]
}

const signs = new Map<boolean | null, string>([
  [true, 'good '],
  [false, 'WRONG'],
  [null, 'note '],
])

/** `mozle doctor`: looks at everything that a service needs, and says what is wrong. Exit code 1 where something is. */
export async function doctor(args: readonly string[], now = new Date()): Promise<Outcome> {
  let config: Config
  try {
    config = readConfig(args)
  } catch (error) {
    if (!(error instanceof ConfigError)) throw error
    return { code: 1, out: error.problems.map((words) => `WRONG  ${words}\n`).join(''), err: '' }
  }
  const found = [
    good(
      config.file === null
        ? 'no configuration file: everything has its usual value'
        : `the configuration ${config.file} goes together`,
    ),
    ...programs(),
    ...(await place(config)),
    ...(await database(config)),
    ...(await cluster(config)),
    ...(await served(config)),
    ...reachedBy(config, now),
    ...(config.appOnly ? [] : backups(config, now)),
  ]
  return {
    code: found.some(({ ok }) => ok === false) ? 1 : 0,
    out: found.map(({ ok, words }) => `${signs.get(ok)}  ${words}\n`).join(''),
    err: '',
  }
}
