import { existsSync, readFileSync } from 'node:fs'
import path from 'node:path'
import type { ChildProcess } from 'node:child_process'
import { startChild, stopChild } from './child'
import { freePort } from './freePort'
import { home } from './home'
import { statusOf } from './statusOf'

export interface Served {
  address: string
  process: ChildProcess
}

/** A machine that is busy takes its time; what does not answer after so long is not coming, ms. */
const longestMs = 300_000
/** An application that answers and is not ready (its disk is nearly full, its database does not answer) gets so long to become it, ms; then it serves as it is, and says why. */
const unreadyMs = 5000

/** Serves a built application on 127.0.0.1 and waits until it answers: for as long as its process works at it. @throws Error with its last words where it ends, or never answers */
export async function serve(options: {
  folder: string
  dbUrl: string
  cookieKey: string
  /** Where its words go; null for where our own go. */
  log: string | null
  /** Where it stands which process it is. */
  record: string
  port?: number
  /** Where its instruments answer (docs/instruments.md). */
  instruments?: string
  /** True where it must be that port. */
  exactly?: boolean
  /** Where it listens; the loopback where nothing is said. */
  address?: string
  /** True where it speaks https itself. */
  tls?: boolean
  /** What else it is told. */
  env?: Readonly<Record<string, string>>
}): Promise<Served> {
  const port = await freePort(options.port)
  if (options.exactly && port !== options.port) throw new Error(`port ${options.port} is taken`)
  // The server itself, not a wrapper, so that its process id is the one to stop.
  const child = startChild(
    process.execPath,
    ['--import', `file://${path.join(home, 'node_modules/tsx/dist/esm/index.mjs')}`, path.join(home, 'scripts/server.ts')],
    {
      cwd: home,
      log: options.log,
      record: options.record,
      env: {
        ...process.env,
        NODE_ENV: 'production',
        NEXT_TELEMETRY_DISABLED: '1',
        MOZLE_HOME: home,
        MOZLE_PORT: String(port),
        MOZLE_DIST: options.folder,
        MOZLE_DB_URL: options.dbUrl,
        MOZLE_COOKIE_KEY: options.cookieKey,
        ...(options.instruments === undefined ? {} : { MOZLE_INSTRUMENTS: options.instruments }),
        ...(options.address === undefined ? {} : { MOZLE_ADDRESS: options.address }),
        ...options.env,
      },
    },
  )
  const host = options.address === undefined || ['0.0.0.0', '::'].includes(options.address) ? '127.0.0.1' : options.address
  const address = `${options.tls ? 'https' : 'http'}://${host.includes(':') ? `[${host}]` : host}:${port}`
  const began = Date.now()
  let [answeredAt, told] = [Infinity, began]
  // One that was killed has a signal and no exit code.
  while (Date.now() - began < longestMs && child.exitCode === null && child.signalCode === null) {
    const status = await statusOf(`${address}/api/ready`)
    if (status !== null) answeredAt = Math.min(answeredAt, Date.now())
    if (status === 200 || Date.now() - answeredAt > unreadyMs) return { address, process: child }
    if (Date.now() - told > 20_000) {
      told = Date.now()
      console.error(`mozle: the application is still starting (${Math.round((told - began) / 1000)} s)`)
    }
    await new Promise((resolve) => setTimeout(resolve, 50))
  }
  await stopChild(child)
  throw new Error(`The application did not start; its own words are ${lastWords(options.log)}`)
}

/** The end of what a program wrote; where it wrote to our own output, it stands there. */
function lastWords(log: string | null): string {
  if (log === null) return 'above'
  if (!existsSync(log)) return `in ${log}, which is not there`
  const lines = readFileSync(log, 'utf8').trimEnd().split('\n').slice(-12)
  return `in ${log}; the last are:\n${lines.join('\n').slice(-4000)}`
}
