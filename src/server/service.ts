import { thisMoment } from './clock'
import { existsSync, readFileSync, readdirSync, statSync } from 'node:fs'
import path from 'node:path'
import { pace } from '@/data/appended'
import { clusterState, databaseVersion, type ClusterState } from '@/data/connect'
import { bookFile, readBook } from '@/data/heads'
import { migrationNames } from '@/data/migrationNames'
import { freeBytes, readiness, type Ready } from './health'
import { openCount } from './openAnswers'
import { version } from '../../package.json'

/** How this service stands, for its administrator: no names, no work of anybody. */
export interface ServiceView {
  ready: Ready
  program: string
  tables: string
  node: string
  database: string
  /** How its server stands in a cluster; null where there is none. */
  cluster: ClusterState | null
  /** True for an application beside the service that keeps the data. */
  appOnly: boolean
  /** Since when this process runs. */
  since: string
  freeBytes: number | null
  backups: { name: string; bytes: number; at: string }[]
  /** How the last nightly backup went; null where none was made. */
  nightly: { at: string; ok: boolean; words: string } | null
  /** When it is made; null where none is. */
  nightlyAt: string | null
  open: number
  pace: { lastMinute: number; busiest: number }
  /** Runs whose logs are signed outside the database, and when the last was; null where nobody signs. */
  signed: { runs: number; at: string | null } | null
}

/** When this process began; this file is loaded when somebody first asks. */
const began = new Date(thisMoment().getTime() - 1000 * process.uptime()).toISOString()

function backupsIn(folder: string | undefined): ServiceView['backups'] {
  if (!folder || !existsSync(folder)) return []
  return readdirSync(folder)
    .filter((name) => name.endsWith('.mozle-backup'))
    .map((name) => {
      const { size, mtime } = statSync(path.join(folder, name))
      return { name, bytes: size, at: mtime.toISOString() }
    })
    .sort((a, b) => b.at.localeCompare(a.at))
}

/** What a file of the service holds; null where there is none, or it cannot be read. */
function read<T>(file: string): T | null {
  try {
    return JSON.parse(readFileSync(file, 'utf8')) as T
  } catch {
    return null
  }
}

export async function serviceView(): Promise<ServiceView> {
  const { MOZLE_DATA: data, MOZLE_KEYS: keys, MOZLE_BACKUP_TO: backups, MOZLE_BACKUP_AT: nightlyAt } = process.env
  const ready = await readiness()
  const heads = keys ? readBook(bookFile(keys)).heads : null
  return {
    ready,
    program: version,
    tables: migrationNames.at(-1)!,
    node: process.versions.node,
    database: await databaseVersion(),
    cluster: await clusterState(),
    appOnly: process.env.MOZLE_APP_ONLY === '1',
    since: began,
    freeBytes: await freeBytes(),
    backups: backupsIn(backups),
    nightly: data ? read(path.join(data, 'backup.json')) : null,
    nightlyAt: nightlyAt || null,
    open: openCount(),
    pace: pace(),
    signed: heads && {
      runs: heads.length,
      at:
        heads
          .map(({ at }) => at)
          .sort()
          .at(-1) ?? null,
    },
  }
}
