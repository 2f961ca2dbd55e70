import type { Tied } from '@/core/format/logCsv'
import { bytesOf } from '@/data/chain'
import { database } from '@/data/connect'
import { headsOf, publicPem, signHead, signingKey, type SignedHead } from '@/data/heads'
import { EntryRow } from '@/data/models'

/** The logs of some runs so that anybody can prove them: the bytes of every entry in their order, and the heads, signed. */
export interface LogProof {
  format: 'mozle-log-proof'
  version: 1
  /** Ed25519, PEM. */
  publicKey: string
  heads: SignedHead[]
  runs: { run: string; entries: string[] }[]
}

/** Null where this service has no key to sign with. */
export async function proofOf(runs: readonly string[], folder = process.env.MOZLE_KEYS): Promise<LogProof | null> {
  if (!folder) return null
  const key = signingKey(folder)
  const rows = await EntryRow.findAll({
    where: { run: [...runs] },
    order: [
      ['run', 'ASC'],
      ['seq', 'ASC'],
    ],
    raw: true,
  })
  const heads = await headsOf(database(), runs)
  return {
    format: 'mozle-log-proof',
    version: 1,
    publicKey: publicPem(key),
    heads: heads.map((head) => signHead(head, key)),
    runs: heads.map(({ run, seq }) => ({
      run,
      entries: rows.flatMap((row) =>
        row.run === run && row.seq <= seq ? [bytesOf({ ...row, seen: row.seen ?? null, clockMs: row.clockMs ?? null })] : [],
      ),
    })),
  }
}

/** Each entry of some runs by its id: its hash, and at the last of each run the signature of its head and the moment in it; no signature where this service has no key. */
export async function tiesOf(runs: readonly string[], folder = process.env.MOZLE_KEYS): Promise<Map<string, Tied>> {
  const rows = await EntryRow.findAll({ where: { run: [...runs] }, attributes: ['id', 'run', 'seq', 'hash'], raw: true })
  const key = folder ? signingKey(folder) : null
  const heads = new Map((await headsOf(database(), runs)).map((head) => [`${head.run} ${head.seq}`, head]))
  return new Map(
    rows.map(({ id, run, seq, hash }) => {
      const head = heads.get(`${run} ${seq}`)
      return [id, { hash, signature: head && key ? `${head.run} ${head.seq} ${head.at} ${signHead(head, key).signature}` : '' }]
    }),
  )
}
