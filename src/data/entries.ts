import { Op } from 'sequelize'
import type { Entry } from '@/core/run/entry'
import { database } from './connect'
import { EntryRow, Run } from './models'

/** An entry with the number the server gave it and the server's time. */
export type NumberedEntry = Entry & { seq: number; received: string }

/** An id that already stands in another run's log. */
export class ForeignEntryError extends Error {
  override name = 'ForeignEntryError'
}

/**
 * Adds entries to a run's log and returns them with their numbers. Sending the same id again changes nothing. The run's row is
 * locked while numbers are given, so a reader that has seen number n has seen all before it.
 * @throws ForeignEntryError when an id belongs to another run
 */
export async function appendEntries(run: string, entries: readonly Entry[], received: Date): Promise<NumberedEntry[]> {
  const ids = entries.map(({ id }) => id)
  const rows = await database().transaction(async (transaction) => {
    const row = await Run.findByPk(run, { transaction, lock: transaction.LOCK.UPDATE, rejectOnEmpty: true })
    const known = await EntryRow.findAll({ where: { id: ids }, transaction })
    if (known.some((entry) => entry.run !== run)) throw new ForeignEntryError('An entry with this id stands in another run.')
    const seen = new Set(known.map(({ id }) => id))
    const fresh = entries.filter(({ id }) => !seen.has(id) && seen.add(id))
    if (fresh.length === 0) return known
    const first = row.lastSeq + 1
    const added = await EntryRow.bulkCreate(
      fresh.map((entry, index) => ({
        id: entry.id,
        run,
        seq: first + index,
        kind: entry.kind,
        step: entry.step,
        body: JSON.stringify(entry.body),
        at: new Date(entry.at),
        received,
        by: entry.by,
        device: entry.device,
        supersedes: entry.supersedes,
        reason: entry.reason,
      })),
      { transaction },
    )
    await row.update({ lastSeq: row.lastSeq + fresh.length }, { transaction })
    return [...known, ...added]
  })
  return rows.sort((a, b) => a.seq - b.seq).map(fromRow)
}

/** The entries of runs, by run, in the order of their numbers; with `after`, only those above each run's number. */
export async function readEntries(
  runs: readonly string[],
  after: Readonly<Record<string, number>> = {},
): Promise<Record<string, NumberedEntry[]>> {
  const rows = await EntryRow.findAll({
    where: { [Op.or]: runs.map((run) => ({ run, seq: { [Op.gt]: after[run] ?? 0 } })) },
    order: [
      ['run', 'ASC'],
      ['seq', 'ASC'],
    ],
  })
  const byRun: Record<string, NumberedEntry[]> = Object.fromEntries(runs.map((run) => [run, []]))
  for (const row of rows) byRun[row.run]!.push(fromRow(row))
  return byRun
}

/** The number of the last entry of each run. */
export async function lastNumbers(runs: readonly string[]): Promise<Record<string, number>> {
  const rows = await Run.findAll({ where: { id: [...runs] }, attributes: ['id', 'lastSeq'] })
  return Object.fromEntries(rows.map((row) => [row.id, row.lastSeq]))
}

function fromRow(row: EntryRow): NumberedEntry {
  return {
    id: row.id,
    seq: row.seq,
    kind: row.kind,
    step: row.step,
    body: JSON.parse(row.body),
    at: row.at.toISOString(),
    received: row.received.toISOString(),
    by: row.by,
    device: row.device,
    supersedes: row.supersedes,
    reason: row.reason,
  } as NumberedEntry
}
