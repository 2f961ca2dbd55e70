import { createHash, randomBytes } from 'node:crypto'
import { literal, type Transaction } from 'sequelize'
import { ulid } from 'ulid'
import { asideIn } from '@/core/measurements/registry'
import type { Entry } from '@/core/run/entry'
import { Beside, EntryRow } from './models'

/** What of an entry stands beside the log: its reason, and the fields of its body that its kind names (core/measurements). */
type Field = string

interface SetAside {
  id: string
  entry: string
  field: Field
  salt: string
  words: string
}

/** What stands in the log in the place of words: their salted digest, from which nobody can guess them once they are gone. */
export const markerOf = (salt: string, words: string) => `beside:${createHash('sha256').update(`${salt}${words}`).digest('hex')}`
const isMarker = (value: unknown): value is string => typeof value === 'string' && /^beside:[0-9a-f]{64}$/.test(value)

export const forgotten = 'no longer kept'
const altered = 'these words are not those that were written'

/** An entry as the log holds it, with what is written beside it. */
export function setAside(entry: Entry): { entry: Entry; beside: SetAside[] } {
  const beside: SetAside[] = []
  const aside = (field: Field, words: string): string => {
    const salt = randomBytes(16).toString('hex')
    beside.push({ id: ulid(), entry: entry.id, field, salt, words })
    return markerOf(salt, words)
  }
  const reason = entry.reason ? aside('reason', entry.reason) : entry.reason
  const body: Record<string, unknown> = { ...entry.body }
  for (const field of asideIn(entry.kind)) {
    const words = body[field]
    if (typeof words === 'string' && words !== '') body[field] = aside(field, words)
  }
  return { entry: { ...entry, reason, body } as Entry, beside }
}

/** An entry as those who wrote it see it again: with its words, and the digest of its picture in the place of it. */
export function withMarkers(written: Entry, kept: Entry): Entry {
  const { picture } = kept.body as { picture?: string }
  return picture === undefined ? written : ({ ...written, body: { ...written.body, picture } } as Entry)
}

/** Writes what was set aside. */
export async function writeBeside(rows: readonly SetAside[], transaction: Transaction): Promise<void> {
  if (rows.length > 0) await Beside.bulkCreate([...rows], { transaction, returning: false })
}

/**
 * Puts words back into entries as they were written; what is gone says so. One statement where there is anything to put back. A picture stays where it is: its entry holds its digest, and it is fetched by
 * itself when it is looked at (`pictureOf`), unless `pictures` asks for it.
 */
export async function putBack<T extends Entry>(entries: T[], { pictures = false } = {}): Promise<T[]> {
  const bodyOf = (entry: Entry) => entry.body as Record<string, unknown>
  const markedIn = (entry: Entry) => asideIn(entry.kind).filter((field) => isMarker(bodyOf(entry)[field]))
  const waiting = entries.filter((entry) => isMarker(entry.reason) || markedIn(entry).length > 0)
  if (waiting.length === 0) return entries
  const rows = await Beside.findAll({
    where: { entry: waiting.map(({ id }) => id) },
    attributes: ['entry', 'field', 'salt', pictures ? 'words' : [literal("IF(field = 'picture', '', words)"), 'words']],
    raw: true,
  })
  const found = new Map(rows.map((row) => [`${row.entry} ${row.field}`, row]))
  const wordsOf = (entry: Entry, field: Field, marker: string): string | undefined => {
    const row = found.get(`${entry.id} ${field}`)
    if (!row) return undefined
    return markerOf(row.salt, row.words) === marker ? row.words : altered
  }
  for (const entry of waiting) {
    if (isMarker(entry.reason)) entry.reason = wordsOf(entry, 'reason', entry.reason) ?? forgotten
    const body = bodyOf(entry)
    for (const field of markedIn(entry)) {
      if (field === 'picture' && !pictures && found.has(`${entry.id} picture`)) continue
      const words = wordsOf(entry, field, body[field] as string)
      if (field === 'picture' && (words === undefined || words === altered)) {
        delete body.picture
        body.text = [body.text, `picture ${words ?? forgotten}`].filter(Boolean).join('; ')
      } else body[field] = words ?? forgotten
    }
  }
  return entries
}

/** The picture of an entry as it was taken, a JPEG; null where there is none, or none any more, 'altered' where it is not the one that was taken. */
export async function pictureOf(entry: string): Promise<Buffer | 'altered' | null> {
  const found = await EntryRow.findByPk(entry, { attributes: ['body'] })
  const { picture } = found ? (JSON.parse(found.body) as { picture?: string }) : {}
  const row = picture === undefined ? null : await Beside.findOne({ where: { entry, field: 'picture' } })
  if (!row) return null
  if (markerOf(row.salt, row.words) !== picture) return 'altered'
  return Buffer.from(row.words.slice(row.words.indexOf(',') + 1), 'base64')
}
