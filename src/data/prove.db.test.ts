/** The log can be proven: whoever touches it, the owner of the database too, is found. */
import { appendFileSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { QueryTypes, type Sequelize } from 'sequelize'
import { emptyDatabase } from '@/test-support/database'
import { TestLog } from '@/test-support/entries'
import { college } from '@/demo/college'
import { seed } from '../../scripts/seed'
import { chained, type Link } from './chain'
import { database } from './connect'
import { appendEntries, readEntries } from './entries'
import { bookFile, headsOf, isSigned, publicPem, readBook, signHead, signingKey, tidyBook, writeBook } from './heads'
import { proveLog } from './prove'

const now = new Date('2026-11-23T15:00:00Z')
const made = college(now, 'UTC')
const run = made.sessions[0]!.runs[0]!.id
let owner: Sequelize
let folder: string

beforeAll(async () => {
  owner = await emptyDatabase()
  await seed(process.env.MOZLE_OWNER_URL!, now, 'UTC')
  database()
  folder = mkdtempSync(path.join(tmpdir(), 'mozle-heads-'))
  writeBook(folder, await headsOf(owner), signingKey(folder))
})
afterAll(async () => {
  rmSync(folder, { recursive: true })
  await owner.close()
  await database().close()
})

const prove = () => proveLog(owner, readBook(bookFile(folder)).heads, publicPem(signingKey(folder)))
const rows = () =>
  owner.query<Link & { hash: string; clock_ms: number | null }>('SELECT * FROM entry WHERE run = :run ORDER BY seq', {
    replacements: { run },
    type: QueryTypes.SELECT,
  })
const whatOf = async () => (await prove()).touched.map(({ run: of, what }) => [of === run, what])

/** Changes something as the owner of the database, looks what is found, and puts it back. */
async function touched(change: string, replacements: Record<string, unknown> = {}): Promise<unknown> {
  const [before, [counted]] = [
    await rows(),
    await owner.query('SELECT last_seq FROM run WHERE id = :run', { replacements: { run }, type: QueryTypes.SELECT }),
  ]
  await owner.query('SET FOREIGN_KEY_CHECKS = 0')
  for (const statement of change.split(';')) await owner.query(statement, { replacements: { run, ...replacements } })
  const found = await whatOf()
  await owner.query('DELETE FROM entry WHERE run = :run', { replacements: { run } })
  for (const row of before)
    await owner.query(
      `INSERT INTO entry (${Object.keys(row)
        .map((name) => `\`${name}\``)
        .join(', ')}) VALUES (:values)`,
      { replacements: { values: Object.values(row) } },
    )
  await owner.query('UPDATE run SET last_seq = :last WHERE id = :run', {
    replacements: { run, last: (counted as { last_seq: number }).last_seq },
  })
  expect((await prove()).touched).toEqual([])
  return found
}

test('the demo, and what is written after it, is as it was written', async () => {
  const log = new TestLog()
  const step = (await readEntries([run]))[run]!.at(-1)!.step
  const entry = log.add(step, 'observation', { text: 'clear', colour: 'white' })
  await appendEntries(run, [{ ...entry, id: '01JPR0VE000000000000000001' }], now)
  await appendEntries(
    run,
    [
      { ...entry, id: '01JPR0VE000000000000000002' },
      { ...entry, id: '01JPR0VE000000000000000003' },
    ],
    now,
  )
  const proof = await prove()
  expect(proof.touched).toEqual([])
  expect(proof.runs).toBeGreaterThan(80)
  expect(proof.heads).toBeGreaterThan(80)
})

test.each([
  ['a reading', "UPDATE entry SET body = CONCAT(body, ' ') WHERE run = :run AND seq = 4", /entry 4 is not as it was written/],
  ['a name', "UPDATE entry SET `by` = 'Somebody' WHERE run = :run AND seq = 2", /entry 2 is not/],
  [
    'a moment by a thousandth',
    'UPDATE entry SET at = at + INTERVAL 1000 MICROSECOND WHERE run = :run AND seq = 3',
    /entry 3 is not/,
  ],
  ['an entry taken out', 'DELETE FROM entry WHERE run = :run AND seq = 5', /entry 5 is missing/],
  [
    'an entry taken out and the others moved up',
    'DELETE FROM entry WHERE run = :run AND seq = 5; UPDATE entry SET seq = seq - 1 WHERE run = :run AND seq > 5 ORDER BY seq; UPDATE run SET last_seq = last_seq - 1 WHERE id = :run',
    /entry 5 is not/,
  ],
  [
    'the last taken off',
    'DELETE FROM entry WHERE run = :run AND seq = (SELECT last_seq FROM run WHERE id = :run)',
    /counts \d+ entries and has/,
  ],
])('%s that was changed is found', async (_what, change, words) => {
  expect(await touched(change)).toEqual([[true, expect.stringMatching(words)]])
})

test('a log that its owner cut short, with everything after it in order, no longer fits what was signed', async () => {
  const found = await touched('DELETE FROM entry WHERE run = :run AND seq > 3; UPDATE run SET last_seq = 3 WHERE id = :run')
  expect(found).toEqual([[true, expect.stringMatching(/was signed with \d+ entries on .* and has 3/)]])
})

test('a log that its owner wrote anew, every hash worked out again, no longer fits what was signed', async () => {
  const all = await rows()
  const anew = chained(
    all.map((row, index) => ({
      ...row,
      body: index === 1 ? `${row.body} ` : row.body,
      at: new Date(row.at),
      received: new Date(row.received),
      clockMs: row.clock_ms,
    })),
  )
  const change = anew.map(
    (_, index) => `UPDATE entry SET hash = :hash${index}, body = :body${index} WHERE run = :run AND seq = ${index + 1}`,
  )
  const values = Object.fromEntries(
    anew.flatMap(({ hash, body }, index) => [
      [`hash${index}`, hash],
      [`body${index}`, body],
    ]),
  )
  expect(await touched(change.join(';'), values)).toEqual([[true, expect.stringMatching(/was another one when it was signed/)]])
})

test('words beside the log that were changed are found; forgotten ones are none', async () => {
  const [row] = await owner.query<{ id: string; words: string }>(
    'SELECT b.id, b.words FROM beside b JOIN entry e ON e.id = b.entry WHERE e.run = :run LIMIT 1',
    { replacements: { run }, type: QueryTypes.SELECT },
  )
  await owner.query("UPDATE beside SET words = 'something else' WHERE id = :id", { replacements: row! })
  expect(await whatOf()).toEqual([[true, expect.stringMatching(/words of entry \d+ are not those/)]])
  await owner.query('DELETE FROM beside WHERE id = :id', { replacements: row! })
  expect((await prove()).touched).toEqual([])
})

test('a head that somebody else signed is none, and a log that is gone is missed', async () => {
  const [head] = readBook(bookFile(folder)).heads
  const other = mkdtempSync(path.join(tmpdir(), 'mozle-other-'))
  const forged = signHead(head!, signingKey(other))
  rmSync(other, { recursive: true })
  const key = publicPem(signingKey(folder))
  expect([
    isSigned(head!, key),
    isSigned(forged, key),
    isSigned({ ...head!, seq: head!.seq + 1 }, key),
    isSigned(head!, 'no key'),
  ]).toEqual([true, false, false, false])
  expect((await proveLog(owner, [forged], key)).touched[0]!.what).toMatch(/not signed by the key/)
  const gone = signHead({ run: '01J0000000000000000000G0NE', seq: 4, hash: 'x', at: now.toISOString() }, signingKey(folder))
  expect((await proveLog(owner, [gone], key)).touched[0]!.what).toMatch(/is gone/)
})

test('the book keeps the last line of each run; one broken line is a lost power, more are somebody', () => {
  const key = signingKey(folder)
  const [head] = readBook(bookFile(folder)).heads
  writeBook(folder, [{ ...head!, seq: head!.seq + 7 }], key)
  appendFileSync(bookFile(folder), '{"run": "01')
  expect(tidyBook(folder).find(({ run: of }) => of === head!.run)!.seq).toBe(head!.seq + 7)
  expect(readBook(bookFile(folder)).unreadable).toBe(0)
  appendFileSync(bookFile(folder), 'one\ntwo\n')
  expect(() => tidyBook(folder)).toThrow(/2 lines that cannot be read/)
})
