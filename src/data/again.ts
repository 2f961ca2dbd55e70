import {
  AccessDeniedError,
  ConnectionAcquireTimeoutError,
  ConnectionError,
  DatabaseError,
  ForeignKeyConstraintError,
  UniqueConstraintError,
} from 'sequelize'

/** Why a statement may be worth another try: another writer was first, or the server went away. */
export type Trouble = 'conflict' | 'lost'

/** A deadlock, or what another server of a cluster has changed first (both are 1213), a lock that was not given (1205), a record that was changed meanwhile (1020). */
const conflicts = new Set([1213, 1205, 1020])
/** Not part of the cluster now (1047), shutting down (1053), the connection ended by the server (1927, 4031). */
const losses = new Set([1047, 1053, 1927, 4031])

/** What kind of trouble an error is; null for what another try does not mend. */
export function troubleOf(error: unknown): Trouble | null {
  if (error instanceof UniqueConstraintError || error instanceof ForeignKeyConstraintError) return null
  if (error instanceof AccessDeniedError || error instanceof ConnectionAcquireTimeoutError) return null
  if (error instanceof ConnectionError) return 'lost'
  const cause = error instanceof DatabaseError ? error.original : error
  const { errno, fatal } = cause as { errno?: number; fatal?: boolean }
  if (errno !== undefined && conflicts.has(errno)) return 'conflict'
  return fatal === true || (errno !== undefined && losses.has(errno)) ? 'lost' : null
}

/** Whether a write that was sent took place, nobody can say: the server went away before it answered. */
export class UnknownOutcome extends Error {
  override name = 'UnknownOutcome'
}

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))

/** So often somebody may be first. */
const mostConflicts = 40
const longestWaitMs = 200

/**
 * Does something until it is done, as long as what stops it is a conflict, or a server that went away and may be asked again.
 * @param repeats whether it may be asked again where it is not known if it was done
 * @param patienceMs how long servers that went away are waited for; none where there is one only
 */
export async function untilDone<T>(work: () => Promise<T>, repeats: boolean, patienceMs: number): Promise<T> {
  const until = Date.now() + patienceMs
  for (let tries = 1; ; tries++) {
    try {
      return await work()
    } catch (error) {
      const trouble = troubleOf(error)
      const again = trouble === 'conflict' ? tries <= mostConflicts : trouble === 'lost' && repeats && Date.now() < until
      if (!again) throw error
      // Two that met wait for different times, so that they do not meet again.
      await pause(Math.random() * Math.min(longestWaitMs, 2 ** tries * (trouble === 'lost' ? 20 : 3)))
    }
  }
}
