import { mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { QueryTypes } from 'sequelize'
import { connectTo } from '@/data/connect'
import { startDatabase, type RunningDatabase } from '../database'
import { takeLock } from '../lock'
import { knownProcess, runs, type KnownProcess } from '../process'
import type { Config } from './config'

/** How to reach the database of a service. */
export interface Reached {
  url: string
  ownerUrl: string
}

interface RunningService extends Reached {
  process: KnownProcess
  address: string
}

const noteFile = (config: Config) => path.join(config.dataFolder, 'running.json')

/** Says how the running service is reached, for commands that are called beside it. */
export function noteRunning(config: Config, at: Reached & { address: string }): void {
  const note: RunningService = { ...at, process: knownProcess(process.pid) }
  writeFileSync(noteFile(config), JSON.stringify(note), { mode: 0o600 })
}

/** The running service of a configuration; null where none runs. */
export function runningService(config: Config): RunningService | null {
  try {
    const note = JSON.parse(readFileSync(noteFile(config), 'utf8')) as RunningService
    return runs(note.process) ? note : null
  } catch {
    return null
  }
}

/** Where keys and the book of signed heads stand. */
export const keysFolder = (config: Config) => path.join(config.dataFolder, 'keys')

export function makeFolders(config: Config): void {
  for (const folder of [config.dataFolder, keysFolder(config), config.backup.folder])
    mkdirSync(folder, { recursive: true, mode: 0o700 })
}

/** Opens the database of a configuration: the existing one, or our own. */
export async function openDatabase(config: Config, port?: number): Promise<Reached & { own: RunningDatabase | null }> {
  if (config.database) return { ...config.database, own: null }
  const own = await startDatabase(config.dataFolder, { durable: true, binlogDays: config.binlogDays, ...(port ? { port } : {}) })
  return { url: own.appUrl, ownerUrl: own.ownerUrl, own }
}

/** Does something with the database of a service, whether it runs or not. @throws Error where another command holds it */
export async function withDatabase<T>(config: Config, work: (reached: Reached) => Promise<T>): Promise<T> {
  const running = runningService(config)
  if (running) return work(running)
  makeFolders(config)
  const lock = takeLock('service', config.dataFolder)
  if ('heldBy' in lock)
    throw new Error(`Another command of this service is at work (process ${lock.heldBy}). Wait for it, or stop it.`)
  const { own, ...reached } = await openDatabase(config)
  try {
    return await work(reached)
  } finally {
    await own?.stop()
    lock.release()
  }
}

/** The application's user as the database's own statements write it. */
export async function appUser(url: string): Promise<string> {
  // One who has no right to the tables yet cannot open their database.
  const app = connectTo(url.replace(/\/[^/@]*$/, '/'), 1)
  try {
    const [row] = await app.query<{ user: string }>('SELECT CURRENT_USER() AS user', { type: QueryTypes.SELECT })
    const at = row!.user.lastIndexOf('@')
    return `'${row!.user.slice(0, at)}'@'${row!.user.slice(at + 1)}'`
  } finally {
    await app.close()
  }
}
