import { rmSync } from 'node:fs'
import path from 'node:path'
import { connectTo } from '@/data/connect'
import { tablesProblem, tablesState } from '@/data/migrationNames'
import { build } from '../build'
import { stopAll, stopAllOnSignals } from '../child'
import { databaseRecord, secretsOf, startDatabase } from '../database'
import { diskWords } from '../diskWords'
import { firstLink } from '../first'
import { keepRunning } from '../keepRunning'
import { takeLock } from '../lock'
import { endLeftOver } from '../process'
import { serve } from '../serve'
import { ConfigError, readConfig, type Config } from './config'
import { keysFolder, makeFolders, noteRunning, openDatabase } from './database'
import { everyNight } from './nightly'
import { upgrade } from './upgrade'

/** Words of the service itself, among those of the application in the journal. */
export const say = (line: string) => console.error(`mozle: ${line}`)

/** Reads the configuration; says everything that is wrong with it. */
function configOrWords(args: readonly string[]): Config | null {
  try {
    return readConfig(args)
  } catch (error) {
    if (!(error instanceof ConfigError)) throw error
    console.error(
      [
        'The configuration cannot be used:',
        ...error.problems.map((each) => `  ${each}`),
        'docs/operations.md tells each setting.',
      ].join('\n'),
    )
    process.exitCode = 2
    return null
  }
}

/** What the application is told beside its database. */
function environment(config: Config): Record<string, string> {
  const { publicAddress, tls, mail } = config
  return {
    MOZLE_DATA: config.dataFolder,
    MOZLE_KEYS: config.appOnly ? '' : keysFolder(config),
    MOZLE_BACKUP_TO: config.appOnly ? '' : config.backup.folder,
    MOZLE_BACKUP_AT: config.backup.at ?? '',
    MOZLE_APP_ONLY: config.appOnly ? '1' : '',
    MOZLE_PUBLIC: publicAddress ?? '',
    MOZLE_HTTPS: publicAddress?.startsWith('https:') || tls ? '1' : '',
    MOZLE_PROXY: config.proxies,
    MOZLE_TLS_CERT: tls?.cert ?? '',
    MOZLE_TLS_KEY: tls?.key ?? '',
    MOZLE_SMTP: mail?.server ?? '',
    MOZLE_MAIL_FROM: mail?.from ?? '',
    MOZLE_LOG: config.log,
    MOZLE_METRICS_PORT: config.metricsPort === null ? '' : String(config.metricsPort),
  }
}

/** Waits until the service that keeps the data has brought the tables to what this program needs. @throws Error where they are of a newer one */
async function tablesAreMade(url: string): Promise<void> {
  for (let said = false; ; said = true) {
    const app = connectTo(url, 1)
    // Before the tables are there, their user may not even look for them.
    const state = await tablesState(app).catch(() => undefined)
    await app.close()
    const problem = state && tablesProblem(state)
    if (problem) throw new Error(problem)
    if (state?.missing.length === 0) return
    if (!said) say('waiting for the tables that this program needs: the service that keeps the data makes them when it starts.')
    await new Promise((resolve) => setTimeout(resolve, 2000))
  }
}

/**
 * `mozle start`: the service, until it is stopped. What ends by itself is started again. With `--app-only` it serves beside others at one database, which one of them keeps.
 */
export async function start(args: readonly string[]): Promise<void> {
  const config = configOrWords(args)
  if (!config) return
  makeFolders(config)
  const lock = takeLock('service', config.dataFolder)
  if ('heldBy' in lock) {
    console.error(`This service runs already, or another command of it does (process ${lock.heldBy}).`)
    process.exitCode = 1
    return
  }
  stopAllOnSignals()
  process.once('exit', () => {
    rmSync(path.join(config.dataFolder, 'running.json'), { force: true })
    lock.release()
  })
  try {
    const record = path.join(config.dataFolder, 'app.process')
    for (const left of [record, databaseRecord(config.dataFolder)])
      if (await endLeftOver(left)) say('ended what an earlier command had left running')
    const little = await diskWords(config.dataFolder)
    if (little) say(little)
    const folder = process.env.MOZLE_BUILT ?? (await build('service'))
    const { own, ...reached } = await openDatabase(config)
    const again = { durable: true, binlogDays: config.binlogDays }
    if (own)
      keepRunning(
        'the database',
        own.process,
        async () => (await startDatabase(config.dataFolder, { ...again, port: own.port })).process,
      )
    if (config.appOnly) await tablesAreMade(reached.url)
    else await upgrade(config, reached, say)
    const options = {
      folder,
      dbUrl: reached.url,
      cookieKey: config.cookieKey ?? secretsOf(config.dataFolder).cookie,
      log: null,
      record,
      port: config.port,
      exactly: true,
      address: config.address,
      tls: config.tls !== null,
      env: environment(config),
      ...(config.instruments === null ? {} : { instruments: config.instruments }),
    }
    const served = await serve(options)
    keepRunning('the application', served.process, async () => (await serve(options)).process)
    const address = config.publicAddress ?? served.address
    noteRunning(config, { ...reached, address })
    say(`serving ${address}`)
    const first = config.appOnly ? undefined : await firstLink(reached.url, address)
    if (first) say(`nobody is here yet; the college begins at this address, good once and for a week: ${first}`)
    if (!config.appOnly) everyNight(config, reached, say)
    await new Promise(() => setInterval(() => undefined, 2 ** 30))
  } catch (error) {
    say((error as Error).message)
    process.exitCode = 1
  } finally {
    await stopAll()
  }
}
