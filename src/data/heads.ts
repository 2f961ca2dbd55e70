import { thisMoment } from './clock'
import { createPrivateKey, createPublicKey, generateKeyPairSync, sign, verify, type KeyObject } from 'node:crypto'
import { appendFileSync, existsSync, readFileSync, renameSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { QueryTypes, type Sequelize } from 'sequelize'

/** How far the log of a run had come at a moment: the number and the hash of its last entry. */
export interface Head {
  run: string
  seq: number
  hash: string
  at: string
}

export interface SignedHead extends Head {
  /** Ed25519, base64. */
  signature: string
}

const bytesOf = ({ run, seq, hash, at }: Head) => Buffer.from(`mozle head\n${run}\n${seq}\n${hash}\n${at}`)

/** Where the key that signs heads and the book of signed heads stand: in a folder outside the database. */
export const keyFile = (folder: string) => path.join(folder, 'heads.key')
export const bookFile = (folder: string) => path.join(folder, 'heads.jsonl')

/** The key that signs heads; made where there is none, readable by its owner only. */
export function signingKey(folder: string): KeyObject {
  const file = keyFile(folder)
  if (!existsSync(file)) {
    const { privateKey } = generateKeyPairSync('ed25519')
    writeFileSync(file, privateKey.export({ type: 'pkcs8', format: 'pem' }), { mode: 0o600, flag: 'wx' })
  }
  return createPrivateKey(readFileSync(file))
}

/** The public half of a key, as it goes into exports. */
export const publicPem = (key: KeyObject): string =>
  (key.type === 'private' ? createPublicKey(key) : key).export({ type: 'spki', format: 'pem' }).toString()

export const signHead = (head: Head, key: KeyObject): SignedHead => ({
  ...head,
  signature: sign(null, bytesOf(head), key).toString('base64'),
})

export function isSigned(head: SignedHead, publicKey: string | KeyObject): boolean {
  try {
    const key = typeof publicKey === 'string' ? createPublicKey(publicKey) : publicKey
    return verify(null, bytesOf(head), key, Buffer.from(head.signature, 'base64'))
  } catch {
    return false
  }
}

/** The last signed head of each run in a book, and how many of its lines cannot be read. */
export function readBook(file: string): { heads: SignedHead[]; unreadable: number } {
  const last = new Map<string, SignedHead>()
  let unreadable = 0
  if (!existsSync(file)) return { heads: [], unreadable }
  for (const line of readFileSync(file, 'utf8').split('\n')) {
    if (line === '') continue
    try {
      const head = JSON.parse(line) as SignedHead
      if ((last.get(head.run)?.seq ?? 0) <= head.seq) last.set(head.run, head)
    } catch {
      unreadable++
    }
  }
  return { heads: [...last.values()], unreadable }
}

/** Whether the entries of a database are tied already; those of earlier programs are not. */
export const hasChain = async (sequelize: Sequelize): Promise<boolean> =>
  (await sequelize.query("SHOW COLUMNS FROM entry LIKE 'hash'", { type: QueryTypes.SELECT })).length > 0

/** The heads of runs as they stand now, or of all that have an entry. */
export async function headsOf(sequelize: Sequelize, runs?: readonly string[], now = thisMoment()): Promise<Head[]> {
  if (runs?.length === 0 || !(await hasChain(sequelize))) return []
  const rows = await sequelize.query<{ run: string; seq: number; hash: string }>(
    `SELECT e.run, e.seq, e.hash FROM run r JOIN entry e ON e.run = r.id AND e.seq = r.last_seq ${runs ? 'WHERE r.id IN (:runs)' : ''} ORDER BY e.run`,
    { replacements: { runs: [...(runs ?? [])] }, type: QueryTypes.SELECT },
  )
  return rows.map((row) => ({ ...row, at: now.toISOString() }))
}

/** The heads of all runs that have come on since they were known; who wrote to them, and through which application, does not matter. */
export async function headsSince(sequelize: Sequelize, known: ReadonlyMap<string, number>, now = thisMoment()): Promise<Head[]> {
  const last = await sequelize.query<{ id: string; seq: number }>('SELECT id, last_seq AS seq FROM run WHERE last_seq > 0', {
    type: QueryTypes.SELECT,
  })
  const moved = last.filter(({ id, seq }) => seq > (known.get(id) ?? 0)).map(({ id }) => id)
  return headsOf(sequelize, moved, now)
}

/** Signs what has come since into the book. */
export function writeBook(folder: string, heads: readonly Head[], key: KeyObject): void {
  const lines = heads.map((head) => `${JSON.stringify(signHead(head, key))}\n`)
  if (lines.length > 0) appendFileSync(bookFile(folder), lines.join(''), { mode: 0o600 })
}

/** Keeps one line for each run, the last: what stood before it is covered by its chain. @throws Error where the book holds what cannot be read */
export function tidyBook(folder: string): SignedHead[] {
  const { heads, unreadable } = readBook(bookFile(folder))
  // A line that broke off when the machine lost its power is the last one; more than that is somebody's work.
  if (unreadable > 1)
    throw new Error(`${bookFile(folder)} holds ${unreadable} lines that cannot be read: ./mozle verify says more.`)
  const made = `${bookFile(folder)}.new`
  writeFileSync(made, heads.map((head) => `${JSON.stringify(head)}\n`).join(''), { mode: 0o600 })
  renameSync(made, bookFile(folder))
  return heads
}
