import { writeFileSync } from 'node:fs'
import path from 'node:path'
import { keepOnly, makeBackup } from './backup'
import type { Config } from './config'
import type { Reached } from './database'

/** How the last nightly backup went, for the page of the administrator. */
export interface BackupStatus {
  at: string
  ok: boolean
  /** The file, or what went wrong. */
  words: string
}

export const statusFile = (dataFolder: string) => path.join(dataFolder, 'backup.json')

/** The next moment at which the clock of this machine shows a time of day. */
export function nextAt(time: string, now: Date): Date {
  const [hour, minute] = time.split(':').map(Number)
  const next = new Date(now.getFullYear(), now.getMonth(), now.getDate(), hour, minute)
  if (next <= now) next.setDate(next.getDate() + 1)
  return next
}

/** Makes the nightly backup and takes the oldest away; what came of it stands where the administrator sees it. */
export async function backUpNow(
  config: Config,
  reached: Reached,
  say: (line: string) => void,
  now = new Date(),
): Promise<BackupStatus> {
  let status: BackupStatus
  try {
    const file = await makeBackup(config, reached, 'nightly', config.backup.folder, now)
    keepOnly(config.backup.folder, config.backup.keep)
    status = { at: now.toISOString(), ok: true, words: file }
  } catch (error) {
    status = { at: now.toISOString(), ok: false, words: (error as Error).message }
  }
  writeFileSync(statusFile(config.dataFolder), JSON.stringify(status), { mode: 0o600 })
  say(status.ok ? `The nightly backup is made: ${status.words}` : `The nightly backup FAILED: ${status.words}`)
  return status
}

/** Makes a backup each night at the time of the configuration. */
export function everyNight(config: Config, reached: Reached, say: (line: string) => void): void {
  const { at } = config.backup
  if (at === null) return
  const wait = () => {
    // A clock that is set meanwhile is noticed within ten minutes.
    const ms = Math.min(nextAt(at, new Date()).getTime() - Date.now(), 600_000)
    const due = nextAt(at, new Date())
    setTimeout(
      () => {
        if (Date.now() < due.getTime()) wait()
        else void backUpNow(config, reached, say).then(wait)
      },
      Math.max(ms, 0),
    ).unref()
  }
  wait()
}
