import { readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { workFolder } from './home'
import { knownProcess, readKnown, runs } from './process'

/** A lock that was made but not yet written is younger than this. */
const beingWrittenMs = 2000

/**
 * Takes a lock file that names this process, or returns the id of the running process that holds it. A lock left by a dead process is taken over, also when another process has its id by now.
 */
export function takeLock(name: string, folder = workFolder()): { release: () => void } | { heldBy: number } {
  const file = path.join(folder, `${name}.lock`)
  for (;;) {
    try {
      writeFileSync(file, JSON.stringify(knownProcess(process.pid)), { flag: 'wx' })
      return { release: () => rmSync(file, { force: true }) }
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error
      const holder = readKnown(file)
      if (holder ? holder.pid !== process.pid && runs(holder) : isBeingWritten(file)) return { heldBy: holder?.pid ?? 0 }
      rmSync(file, { force: true })
    }
  }
}

function isBeingWritten(file: string): boolean {
  try {
    return readFileSync(file, 'utf8') === '' && Date.now() - statSync(file).mtimeMs < beingWrittenMs
  } catch {
    return false
  }
}

/** Does something while holding a lock, waiting for it first. */
export async function withLock<T>(name: string, work: () => Promise<T>): Promise<T> {
  for (;;) {
    const lock = takeLock(name)
    if ('release' in lock) {
      try {
        return await work()
      } finally {
        lock.release()
      }
    }
    await new Promise((resolve) => setTimeout(resolve, 300))
  }
}
