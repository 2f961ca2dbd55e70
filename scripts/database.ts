import { spawnSync } from 'node:child_process'
import { randomBytes } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { connect } from 'node:net'
import os from 'node:os'
import path from 'node:path'
import type { ChildProcess } from 'node:child_process'
import { startChild, stopChild } from './child'
import { freePort } from './freePort'
import { endLeftOver } from './process'
import { ensurePackages } from './packages'

export interface RunningDatabase {
  port: number
  /** Address for migrations and seeding: may change tables. */
  ownerUrl: string
  /** Address for the application: data only, and the entry log only to read and to add to. */
  appUrl: string
  process: ChildProcess
  stop: () => Promise<void>
}

export interface Secrets {
  owner: string
  app: string
  cookie: string
}

/** The passwords and the cookie key of one data folder, made at first use and readable by its owner only. */
export function secretsOf(folder: string): Secrets {
  const file = path.join(folder, 'secrets.json')
  if (!existsSync(file)) {
    const secret = () => randomBytes(24).toString('hex')
    writeFileSync(file, JSON.stringify({ owner: secret(), app: secret(), cookie: secret() }), { mode: 0o600 })
  }
  return JSON.parse(readFileSync(file, 'utf8')) as Secrets
}

/** Where it stands which process serves the data of a folder. */
export const databaseRecord = (folder: string) => path.join(folder, 'database.process')

/** Where a server keeps its temporary tables. In a folder shared with others each that starts would delete those of all. */
function temporaryOf(data: string): string {
  const folder = `${data}.tmp`
  mkdirSync(folder, { recursive: true })
  return `--tmpdir=${folder}`
}

/** The data folder of a server of our own, with the database's own tables in it. @throws Error in the words of the program that makes them */
export function dataFolderOf(folder: string): string {
  const data = path.join(folder, 'data')
  if (existsSync(path.join(data, 'mysql'))) return data
  rmSync(data, { recursive: true, force: true })
  const made = spawnSync(
    'mariadb-install-db',
    [
      '--no-defaults',
      `--datadir=${data}`,
      temporaryOf(data),
      `--user=${os.userInfo().username}`,
      '--skip-test-db',
      '--skip-name-resolve',
    ],
    { encoding: 'utf8' },
  )
  if (made.status === 0) return data
  // A half-made data folder would be taken for a whole one at the next start.
  rmSync(data, { recursive: true, force: true })
  const said = `${made.stdout ?? ''}${made.stderr ?? ''}`.trim().split('\n').slice(-12).join('\n')
  throw new Error(
    `MariaDB could not make its data folder (${made.signal ?? made.error?.message ?? `exit code ${made.status}`}):\n${said}`,
  )
}

/** Writes the statements that make our database and its two users at the start of a server. @returns their file */
export function writeInit(folder: string, secrets: Secrets): string {
  const init = path.join(folder, 'init.sql')
  writeFileSync(
    init,
    [
      'CREATE DATABASE IF NOT EXISTS mozle CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;',
      ...(['owner', 'app'] as const).flatMap((name) => [
        `CREATE USER IF NOT EXISTS 'mozle_${name}'@'127.0.0.1';`,
        `ALTER USER 'mozle_${name}'@'127.0.0.1' IDENTIFIED BY '${secrets[name]}';`,
      ]),
      "GRANT ALL ON mozle.* TO 'mozle_owner'@'127.0.0.1' WITH GRANT OPTION;",
      // A backup notes its place in the binary log, and a restore to a moment plays the log again.
      "GRANT RELOAD, BINLOG MONITOR, BINLOG REPLAY ON *.* TO 'mozle_owner'@'127.0.0.1';",
    ].join('\n'),
    { mode: 0o600 },
  )
  return init
}

/** What every server of ours is started with. */
export const usual = (data: string, port: number): string[] => [
  '--no-defaults',
  `--user=${os.userInfo().username}`,
  `--datadir=${data}`,
  temporaryOf(data),
  `--port=${port}`,
  '--bind-address=127.0.0.1',
  // Beside the data: a socket's path may have about a hundred characters, and a project folder more.
  '--socket=db.sock',
  '--pid-file=db.pid',
  '--skip-name-resolve',
  '--character-set-server=utf8mb4',
  '--innodb-buffer-pool-size=128M',
  '--max-connections=200',
]

/** The addresses of our two users at servers on these loopback ports. */
export function urlsOf(secrets: Secrets, ports: readonly number[]): { ownerUrl: string; appUrl: string } {
  const hosts = ports.map((port) => `127.0.0.1:${port}`).join(',')
  return {
    ownerUrl: `mariadb://mozle_owner:${secrets.owner}@${hosts}/mozle`,
    appUrl: `mariadb://mozle_app:${secrets.app}@${hosts}/mozle`,
  }
}

/**
 * Starts a MariaDB server of our own on a free loopback port (`port` where it must be that one), with its data in `folder`. One that an earlier command left behind on the same data is ended first.
 * With `binlogDays` every change stands in a binary log for so long, beside the data. `durable: false` trades safety on power loss for speed, for tests.
 */
export async function startDatabase(
  folder: string,
  options: { durable: boolean; port?: number; binlogDays?: number },
): Promise<RunningDatabase> {
  ensurePackages('database')
  if (await endLeftOver(databaseRecord(folder))) console.error('mozle: ended a database that an earlier command had left running')
  const data = dataFolderOf(folder)
  const log = path.join(folder, 'mariadb.log')
  const secrets = secretsOf(folder)
  const init = writeInit(folder, secrets)
  for (let attempt = 1; ; attempt++) {
    const port = await freePort(options.port)
    if (options.port !== undefined && port !== options.port) throw new Error(`port ${options.port} is taken`)
    const server = startChild(
      '/usr/sbin/mariadbd',
      [
        ...usual(data, port),
        `--init-file=${init}`,
        ...binaryLog(options.binlogDays ?? 0),
        ...(options.durable ? [] : ['--innodb-flush-log-at-trx-commit=0']),
      ],
      { log, record: databaseRecord(folder) },
    )
    if (await answers(port, server)) {
      return { port, ...urlsOf(secrets, [port]), process: server, stop: () => stopChild(server) }
    }
    await stopChild(server)
    if (attempt === 3) throw new Error(`MariaDB did not start; its own words are in ${log}`)
  }
}

const binaryLog = (days: number): string[] =>
  days === 0
    ? ['--skip-log-bin']
    : [
        '--log-bin=binlog',
        '--binlog-format=ROW',
        '--server-id=1',
        '--sync-binlog=1',
        '--log-bin-trust-function-creators=1',
        `--expire-logs-days=${days}`,
      ]

/** Waits until the server greets on its port; false when it ended or 60 s went by. */
export async function answers(port: number, server: ChildProcess): Promise<boolean> {
  const until = Date.now() + 60_000
  while (Date.now() < until && server.exitCode === null && server.signalCode === null) {
    const greeted = await new Promise<boolean>((resolve) => {
      const socket = connect(port, '127.0.0.1')
      socket.setTimeout(1000, () => socket.destroy())
      socket.once('data', () => {
        resolve(true)
        socket.destroy()
      })
      socket.once('error', () => resolve(false))
      socket.once('close', () => resolve(false))
    })
    if (greeted) return true
    await new Promise((resolve) => setTimeout(resolve, 100))
  }
  return false
}
