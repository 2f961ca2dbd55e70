import { statfs } from 'node:fs/promises'
import { answersNow, database } from '@/data/connect'
import { tablesState } from '@/data/migrationNames'

/** With less room than this on its disk a service is not ready: the database stops in the middle of a day. */
export const leastFreeBytes = 200_000_000

/** With less than this nothing more is written: what the database has begun still finds its place. */
const fullBytes = 20_000_000

/** Whether a service can do its work, part by part. */
export interface Ready {
  ok: boolean
  database: 'answers' | 'does not answer'
  tables: 'as this program needs them' | 'of an earlier program' | 'of a newer program' | 'not known'
  disk: 'has room' | 'is nearly full' | 'not known'
}

/** Bytes that are free where the data is kept; null where nobody said where that is, or the system does not tell. */
export async function freeBytes(folder = process.env.MOZLE_DATA): Promise<number | null> {
  if (!folder) return null
  try {
    const { bavail, bsize } = await statfs(folder)
    return bavail * bsize
  } catch {
    return null
  }
}

/** How long what was seen of the disk is taken for true, ms. */
const seenMs = 2000
let seen = { at: -Infinity, full: false }

/** True where the disk has no room left for what is written; asked at each change, looked at every other second. */
export async function diskIsFull(now = performance.now()): Promise<boolean> {
  if (now - seen.at > seenMs) {
    const free = await freeBytes()
    seen = { at: now, full: free !== null && free < fullBytes }
  }
  return seen.full
}

async function tables(): Promise<Ready['tables']> {
  try {
    const { missing, newer, unreleased } = await tablesState(database())
    return newer.length > 0 && !unreleased
      ? 'of a newer program'
      : missing.length > 0
        ? 'of an earlier program'
        : 'as this program needs them'
  } catch {
    return 'not known'
  }
}

/** Whether the database answers, its tables are those of this program, and the disk has room. */
export async function readiness(): Promise<Ready> {
  const answers = await answersNow()
  const found = answers ? await tables() : 'not known'
  const free = await freeBytes()
  const disk = free === null ? 'not known' : free < leastFreeBytes ? 'is nearly full' : 'has room'
  return {
    ok: answers && found === 'as this program needs them' && disk !== 'is nearly full',
    database: answers ? 'answers' : 'does not answer',
    tables: found,
    disk,
  }
}
