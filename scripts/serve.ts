import path from 'node:path'
import type { ChildProcess } from 'node:child_process'
import { startChild } from './child'
import { freePort } from './freePort'
import { home } from './home'
import { statusOf } from './statusOf'

export interface Served {
  address: string
  process: ChildProcess
}

/** Serves a built application on 127.0.0.1 and waits until it answers. @throws Error when it does not within a minute */
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
  const until = Date.now() + 60_000
  // One that was killed has a signal and no exit code.
  while (Date.now() < until && child.exitCode === null && child.signalCode === null) {
    if ((await statusOf(`${address}/api/ready`)) === 200) return { address, process: child }
    await new Promise((resolve) => setTimeout(resolve, 100))
  }
  throw new Error(`The application did not start; its own words are ${options.log === null ? 'above' : `in ${options.log}`}`)
}
