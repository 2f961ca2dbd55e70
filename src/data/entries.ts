import { Op, QueryTypes, UniqueConstraintError, type Transaction } from 'sequelize'
import { namedBy } from '@/core/measurements/registry'
import type { Entry, EntryKind } from '@/core/run/entry'
import { noteAppended } from './appended'
import { putBack, setAside, withMarkers, writeBeside } from './beside'
import { chained, nothingBefore, type Link } from './chain'
import { database, transacted } from './connect'
import { EntryRow, Run } from './models'
import { withNames } from './writers'

/** An entry with the number the server gave it and the server's time. */
export type NumberedEntry = Entry & { seq: number; received: string }

/** An id that already stands in another run's log. */
export class ForeignEntryError extends Error {
  override name = 'ForeignEntryError'
}

/** Entries that name, as what they take the place of or cover, what does not stand in their step of this run. */
export class UnknownEntryError extends Error {
  override name = 'UnknownEntryError'

  constructor(readonly ids: string[]) {
    super('An entry names another that does not stand in this step.')
  }
}

/** More entries than a bench can write. */
export class FloodError extends Error {
  override name = 'FloodError'
}

/** How much one run may write: its rows in the log, how many of them in a minute of the server's clock, and what they hold, bytes; pictures of a session besides. */
export interface Bounds {
  entries: number
  eachMinute: number
  words: number
  pictures: number
  picturesOfSession: number
}

/** What a bench may write. A busy one writes a dozen entries a minute, and a day of it weighs some 60 kB; a tablet that comes back after hours sends all that it has kept. */
export const boundsOfBench: Bounds = {
  entries: 10_000,
  eachMinute: 240,
  words: 1_000_000,
  pictures: 6_000_000,
  picturesOfSession: 100_000_000,
}

/** Staff can still sign and put right what a bench has filled to its bounds. */
const boundsOfStaff: Bounds = { ...boundsOfBench, entries: 12_000, eachMinute: 6000, words: 2_000_000 }

/**
 * Adds entries to a run's log and returns them with their numbers. Sending the same id again changes nothing. The run's row
 * changes while numbers are given, so that one after the other gets them, at every server of a cluster, and a reader that has seen number n has seen all before it. What is named by a correction must stand in the same step, and what a
 * run writes has its bounds: both are conditions of the statement that gives the numbers. The pace is that of the server's clock, whatever times the entries claim.
 * @throws ForeignEntryError, UnknownEntryError, FloodError
 */
export async function appendEntries(
  run: string,
  entries: readonly Entry[],
  received: Date,
  bounds = boundsOfStaff,
): Promise<NumberedEntry[]> {
  try {
    return await withNames(await addAll(run, entries, received, bounds))
  } catch (error) {
    if (!(error instanceof UniqueConstraintError)) throw error
    // Some are in the book already: the usual case of a tablet that did not hear the answer.
    return withNames(await addUnknown(run, entries, received, bounds))
  }
}

async function addAll(run: string, entries: readonly Entry[], received: Date, bounds: Bounds): Promise<NumberedEntry[]> {
  if (new Set(entries.map(({ id }) => id)).size < entries.length) return addUnknown(run, entries, received, bounds)
  const add = async (transaction: Transaction) => {
    const parted = entries.map((entry) => setAside(entry))
    const weight = weightOf(parted)
    if (weight.pictures > 0) await picturesFit(run, weight.pictures, bounds, transaction)
    const last = await takeNumbers(run, entries, { received, bounds, weight }, transaction)
    const seqOf = (index: number) => last - entries.length + index + 1
    const rows = parted.map(({ entry }, index) => rowOf(run, entry, seqOf(index), received))
    await EntryRow.bulkCreate(chained(rows, await hashBefore(run, seqOf(0), transaction)), { transaction, returning: false })
    await writeBeside(
      parted.flatMap(({ beside }) => beside),
      transaction,
    )
    return entries.map((entry, index) => fromRow(rowOf(run, withMarkers(entry, parted[index]!.entry), seqOf(index), received)))
  }
  // Entries have ids of their own: what was kept although nobody heard of it is found the next time.
  const added = await transacted(add, { repeats: true })
  noteAppended(entries.length)
  return added
}

async function addUnknown(run: string, entries: readonly Entry[], received: Date, bounds: Bounds): Promise<NumberedEntry[]> {
  const known = await EntryRow.findAll({ where: { id: entries.map(({ id }) => id) } })
  if (known.some((entry) => entry.run !== run)) throw new ForeignEntryError('An entry with this id stands in another run.')
  const seen = new Set(known.map(({ id }) => id))
  const fresh = entries.filter(({ id }) => !seen.has(id) && seen.add(id))
  const added = fresh.length === 0 ? [] : await appendEntries(run, fresh, received, bounds)
  return [...(await putBack(known.map(fromRow))), ...added].sort((a, b) => a.seq - b.seq)
}

/** What an entry names that must stand before it: what it takes the place of, and what it is about. */
const named = (entry: Entry): string[] => [...(entry.supersedes === null ? [] : [entry.supersedes]), ...namedBy(entry)]

interface Weight {
  words: number
  pictures: number
}

/** What entries will take of the database, bytes. */
function weightOf(parted: readonly ReturnType<typeof setAside>[]): Weight {
  const weight = { words: 0, pictures: 0 }
  for (const { entry, beside } of parted) {
    weight.words += Buffer.byteLength(JSON.stringify(entry.body))
    for (const { field, words } of beside) weight[field === 'picture' ? 'pictures' : 'words'] += Buffer.byteLength(words)
  }
  return weight
}

/** Looks whether a session has room for more pictures; some that come at the same moment may go a little over it. @throws FloodError */
async function picturesFit(run: string, more: number, bounds: Bounds, transaction: Transaction): Promise<void> {
  const { session } = await Run.findByPk(run, { attributes: ['session'], transaction, rejectOnEmpty: true })
  const all = (await Run.sum('pictureBytes', { where: { session }, transaction })) || 0
  if (all + more > bounds.picturesOfSession)
    throw new FloodError(
      `The pictures of one session may take ${bounds.picturesOfSession * 1e-6} MB. Write down in words what is seen, and tell the demonstrator.`,
    )
}

/** Moves the run's last number on by as many as there are entries, if they may be added. @returns the new last number */
async function takeNumbers(
  run: string,
  entries: readonly Entry[],
  { received, bounds, weight }: { received: Date; bounds: Bounds; weight: Weight },
  transaction: Transaction,
): Promise<number> {
  const own = new Map(entries.map(({ id, step }) => [id, step]))
  const names = entries.flatMap((entry) => named(entry).map((id) => ({ id, step: entry.step })))
  // What comes in the same batch is looked for there.
  const wrong = names.filter(({ id, step }) => own.has(id) && own.get(id) !== step).map(({ id }) => id)
  if (wrong.length > 0) throw new UnknownEntryError(wrong)
  const before = [...new Map(names.filter(({ id }) => !own.has(id)).map((each) => [`${each.id} ${each.step}`, each])).values()]
  // What is set is worked out from left to right: the count before the minute that it is of.
  const [last, changed] = (await database().query(
    `UPDATE run SET last_seq = LAST_INSERT_ID(last_seq + :count), words_bytes = words_bytes + :words, picture_bytes = picture_bytes + :pictures,
       paced_count = IF(paced_minute = :minute, paced_count, 0) + :count, paced_minute = :minute
     WHERE id = :run AND last_seq + :count <= :most AND words_bytes + :words <= :mostWords AND picture_bytes + :pictures <= :mostPictures
     AND IF(paced_minute = :minute, paced_count, 0) + :count <= :pace
     ${before.length > 0 ? 'AND (SELECT COUNT(*) FROM entry WHERE run = :run AND (id, step) IN (:before)) = :named' : ''}`,
    {
      replacements: {
        run,
        count: entries.length,
        minute: Math.floor(received.getTime() / 60_000),
        ...weight,
        most: bounds.entries,
        pace: bounds.eachMinute,
        mostWords: bounds.words,
        mostPictures: bounds.pictures,
        before: before.map(({ id, step }) => [id, step]),
        named: before.length,
      },
      type: QueryTypes.INSERT,
      transaction,
    },
  )) as unknown as [number, number]
  if (changed !== 0) return last
  const rows = await EntryRow.findAll({ where: { run, id: before.map(({ id }) => id) }, attributes: ['id', 'step'], transaction })
  const unknown = before.filter(({ id, step }) => !rows.some((row) => row.id === id && row.step === step))
  if (unknown.length > 0) throw new UnknownEntryError(unknown.map(({ id }) => id))
  const { pictureBytes } = await Run.findByPk(run, { transaction, rejectOnEmpty: true })
  throw new FloodError(
    pictureBytes + weight.pictures > bounds.pictures
      ? `The pictures of one bench may take ${bounds.pictures * 1e-6} MB. Write down in words what is seen.`
      : `More than ${bounds.eachMinute} entries a minute, ${bounds.entries} in all or ${bounds.words * 1e-6} MB of words are not taken from one bench. They stay on the tablet and are sent again; if nobody wrote so much, ask the demonstrator.`,
  )
}

/** So many logs are read whole in one statement, and so many of which only the newest entries are wanted. */
const atOnce = { whole: 8, tails: 200 }

/** The entries of runs, by run, in the order of their numbers; with `after`, only those above each run's number, with `kinds` only those. */
export async function readEntries(
  runs: readonly string[],
  after: Readonly<Record<string, number>> = {},
  kinds?: readonly EntryKind[],
): Promise<Record<string, NumberedEntry[]>> {
  const byRun: Record<string, NumberedEntry[]> = Object.fromEntries(runs.map((run) => [run, []]))
  // A part of a large class at a time: others are served between the parts.
  const size = Object.keys(after).length > 0 ? atOnce.tails : atOnce.whole
  for (let at = 0; at < runs.length; at += size) {
    const part = runs.slice(at, at + size)
    const rows = await EntryRow.findAll({
      where: {
        [Op.or]: part.map((run) => ({ run, seq: { [Op.gt]: after[run] ?? 0 } })),
        ...(kinds ? { kind: [...kinds] } : {}),
      },
      order: [
        ['run', 'ASC'],
        ['seq', 'ASC'],
      ],
      raw: true,
    })
    const entries = rows.map((row) => {
      const entry = fromRow(row)
      byRun[row.run]!.push(entry)
      return entry
    })
    await Promise.all([withNames(entries), putBack(entries)])
  }
  return byRun
}

/** The number of the last entry of each run. */
export async function lastNumbers(runs: readonly string[]): Promise<Record<string, number>> {
  const rows = await Run.findAll({ where: { id: [...runs] }, attributes: ['id', 'lastSeq'], raw: true })
  return Object.fromEntries(rows.map((row) => [row.id, row.lastSeq]))
}

/** The hash that an entry follows. Numbers are given by a change of the run's row, so the entry before stands already. */
async function hashBefore(run: string, seq: number, transaction: Transaction): Promise<string> {
  if (seq === 1) return nothingBefore
  const before = await EntryRow.findOne({ where: { run, seq: seq - 1 }, attributes: ['hash'], transaction, rejectOnEmpty: true })
  return before.hash
}

/** An entry as its row. */
export function rowOf(run: string, entry: Entry, seq: number, received: Date): Link {
  const { id, kind, step, body, at, by, device, supersedes, reason, seen = null, clockMs = null } = entry
  return {
    id,
    run,
    seq,
    kind,
    step,
    body: JSON.stringify(body),
    at: new Date(at),
    received,
    by,
    device,
    supersedes,
    reason,
    seen,
    clockMs,
  }
}

function fromRow(row: Link): NumberedEntry {
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
    ...(row.seen == null ? {} : { seen: row.seen }),
    ...(row.clockMs == null ? {} : { clockMs: row.clockMs }),
  } as NumberedEntry
}
