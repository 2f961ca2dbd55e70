import { createHash } from 'node:crypto'
import type { EntryRow } from './models'

/** An entry as its row holds it, but for its place in the chain. */
export type Link = Pick<
  EntryRow,
  'id' | 'run' | 'seq' | 'kind' | 'step' | 'body' | 'at' | 'received' | 'by' | 'device' | 'supersedes' | 'reason'
> & { seen: string | null; clockMs: number | null }

/** What the first entry of a run follows. */
export const nothingBefore = ''

/** The bytes of an entry that its hash covers: every column, in this order, as JSON. Words and pictures stand beside the log, and here by their salted digests. */
export const bytesOf = (row: Link): string =>
  JSON.stringify([
    ...[row.id, row.run, row.seq, row.kind, row.step, row.body, row.at.toISOString(), row.received.toISOString()],
    ...[row.by, row.device, row.supersedes, row.reason, row.seen, row.clockMs],
  ])

/** SHA-256 over the hash of the entry before in the run and the entry's own bytes, in hexadecimal. */
export const hashAfter = (before: string, bytes: string): string =>
  createHash('sha256').update(`${before}\n${bytes}`).digest('hex')

/** Rows of one run in their order, each with the hash that ties it to the one before. */
export function chained<T extends Link>(rows: readonly T[], before: string = nothingBefore): (T & { hash: string })[] {
  let last = before
  return rows.map((row) => {
    last = hashAfter(last, bytesOf(row))
    return { ...row, hash: last }
  })
}
