import type { KeyObject } from 'node:crypto'
import { QueryTypes, type Sequelize } from 'sequelize'
import { markerOf } from './beside'
import { bytesOf, hashAfter, nothingBefore, type Link } from './chain'
import { isSigned, type SignedHead } from './heads'

/** What of a run is not as it was written. */
export interface Touched {
  run: string
  what: string
}

export interface Proof {
  runs: number
  entries: number
  heads: number
  touched: Touched[]
}

type Found = Link & { hash: string; clock_ms: number | null }

const runsAtOnce = 50

/**
 * Walks through every run's log: numbers without a hole, each hash over its own bytes and the one before, as many entries as the run counts, words beside the log as they were written or gone, and every signed head where it was. Whoever changes a row must change all hashes after it, and then the signed heads, whose key is not in the database, no longer fit.
 */
export async function proveLog(
  sequelize: Sequelize,
  heads: readonly SignedHead[],
  key: string | KeyObject | null,
): Promise<Proof> {
  const counted = await sequelize.query<{ id: string; last: number }>('SELECT id, last_seq AS last FROM run ORDER BY id', {
    type: QueryTypes.SELECT,
  })
  const proof: Proof = { runs: counted.length, entries: 0, heads: heads.length, touched: [] }
  const known = new Set(counted.map(({ id }) => id))
  for (const { run } of heads) if (!known.has(run)) proof.touched.push({ run, what: 'had a log that was signed, and is gone' })
  const headOf = new Map(heads.map((head) => [head.run, head]))
  for (let from = 0; from < counted.length; from += runsAtOnce) {
    const part = counted.slice(from, from + runsAtOnce)
    const ids = part.map(({ id }) => id)
    const rows = await sequelize.query<Found>('SELECT * FROM entry WHERE run IN (:ids) ORDER BY run, seq', {
      replacements: { ids },
      type: QueryTypes.SELECT,
    })
    const words = await wordsTouched(sequelize, ids)
    proof.entries += rows.length
    for (const { id, last } of part) {
      const what =
        wrongIn(
          rows.filter(({ run }) => run === id),
          { last, head: headOf.get(id), key },
        ) ?? words.get(id)
      if (what) proof.touched.push({ run: id, what })
    }
  }
  return proof
}

/** What is wrong with the log of one run, the first of it; null where nothing is. */
function wrongIn(
  rows: readonly Found[],
  { last, head, key }: { last: number; head: SignedHead | undefined; key: string | KeyObject | null },
): string | null {
  let before = nothingBefore
  for (const [index, row] of rows.entries()) {
    if (row.seq !== index + 1) return `entry ${index + 1} is missing`
    const bytes = bytesOf({ ...row, at: new Date(row.at), received: new Date(row.received), clockMs: row.clock_ms })
    before = hashAfter(before, bytes)
    if (before !== row.hash) return `entry ${row.seq} is not as it was written, or one before it is missing`
  }
  if (last !== rows.length) return `counts ${last} entries and has ${rows.length}`
  if (!head) return null
  if (key === null || !isSigned(head, key)) return `its head at entry ${head.seq} is not signed by the key of this service`
  const at = rows[head.seq - 1]
  if (!at) return `was signed with ${head.seq} entries on ${head.at} and has ${rows.length}`
  return at.hash === head.hash ? null : `was another one when it was signed on ${head.at}, at entry ${head.seq}`
}

/** Words that stand beside entries and are not those that were written. */
async function wordsTouched(sequelize: Sequelize, runs: readonly string[]): Promise<Map<string, string>> {
  const rows = await sequelize.query<{
    run: string
    seq: number
    field: string
    salt: string
    words: string
    body: string
    reason: string | null
  }>(
    `SELECT e.run, e.seq, e.body, e.reason, b.field, b.salt, b.words FROM beside b JOIN entry e ON e.id = b.entry WHERE e.run IN (:runs)`,
    { replacements: { runs: [...runs] }, type: QueryTypes.SELECT },
  )
  return new Map(
    rows.flatMap(({ run, seq, field, salt, words, body, reason }) => {
      const stands = field === 'reason' ? reason : (JSON.parse(body) as Record<string, unknown>)[field]
      return stands === markerOf(salt, words) ? [] : [[run, `words of entry ${seq} are not those that were written`] as const]
    }),
  )
}
