import { QueryTypes, type Sequelize } from 'sequelize'
import { TestLog } from '@/test-support/entries'
import { emptyDatabase } from '@/test-support/database'
import { college } from '@/demo/college'
import { seed } from '../../scripts/seed'
import { database } from './connect'
import { appendEntries, ForeignEntryError, lastNumbers, readEntries, UnknownEntryError } from './entries'
import { migrate } from './migrate'
import { EntryRow, Revision, Run } from './models'

const now = new Date('2026-11-23T15:00:00Z')
const made = college(now, 'UTC')
const [runA, runB] = [made.sessions[2]!.runs[0]!.id, made.sessions[2]!.runs[1]!.id]

/** Entries with ids that no other test uses. */
let series = 0
function fresh(count: number) {
  series++
  const log = new TestLog()
  for (let index = 0; index < count; index++) log.reading('dry', 'full', 35 + index)
  return log.entries.map((entry, index) => ({
    ...entry,
    id: `01J${String(series).padStart(11, '0')}${String(index).padStart(12, '0')}`,
  }))
}

describe('migrations', () => {
  test('running them again changes nothing', async () => {
    const owner = await emptyDatabase()
    expect(await migrate(owner)).toEqual([])
    await owner.close()
  })

  test.each([
    ['0001-people-and-plans', /before the first release.*backup.*plan files.*demo --fresh/],
    ['9001-of-tomorrow', /by a newer Mozle \(9001-of-tomorrow\)/],
  ])('tables of another program (%s) are refused with words, and left as they are', async (name, words) => {
    const owner = await emptyDatabase()
    await owner.query('INSERT INTO migration (name) VALUES (?)', { replacements: [name] })
    await owner.query('DROP TABLE beside')
    await expect(migrate(owner)).rejects.toThrow(words)
    expect(await owner.query("SHOW TABLES LIKE 'beside'", { type: QueryTypes.SELECT })).toEqual([])
    await owner.close()
  })
})

describe('with the demo college', () => {
  let owner: Sequelize
  let app: Sequelize
  beforeAll(async () => {
    owner = await emptyDatabase()
    await seed(process.env.MOZLE_OWNER_URL!, now, 'UTC')
    app = database()
  })
  afterAll(async () => {
    await owner.close()
    await app.close()
  })

  test.each([
    ["UPDATE entry SET body = '{}'", /UPDATE command denied/],
    ['DELETE FROM entry', /DELETE command denied/],
    ['TRUNCATE entry', /DROP command denied/],
    ['DROP TABLE entry', /DROP command denied/],
    ['ALTER TABLE entry ADD x INT', /ALTER command denied/],
    ["UPDATE migration SET name = 'x'", /UPDATE command denied/],
    ['CREATE TABLE other (x INT PRIMARY KEY)', /CREATE command denied/],
    ['REPLACE INTO entry SELECT * FROM entry LIMIT 1', /denied/],
    ["UPDATE revision SET plan = '{}'", /UPDATE command denied/],
    ["UPDATE revision SET title = 'x'", /UPDATE command denied/],
    ['DELETE FROM revision', /DELETE command denied/],
  ])('the application’s own user may not: %s', async (sql, message) => {
    await expect(app.query(sql)).rejects.toThrow(message)
  })

  test('a published plan is frozen even for the owner of the tables; its state may only move on', async () => {
    const { id } = (await Revision.findOne({ where: { state: 'published', title: 'Acetanilide' } }))!
    const set = (what: string) => owner.query(`UPDATE revision SET ${what} WHERE id = '${id}'`)
    for (const what of [
      "plan = '{}'",
      // As bytes: neither another case, nor an accent, nor a space at the end gets through.
      "plan = REPLACE(plan, 'aniline', 'Aniline')",
      "plan = REPLACE(plan, 'aniline', 'ánilinë')",
      "plan = CONCAT(plan, ' ')",
      'number = 9',
      'title = UPPER(title)',
      "published_by = '01J00000000000000000000001'",
      "state = 'draft'",
    ])
      await expect(set(what)).rejects.toThrow(/frozen/)
    await expect(set("fault = 'a test'")).resolves.toBeDefined()
    await expect(set("state = 'superseded'")).resolves.toBeDefined()
    await expect(set("state = 'published'")).rejects.toThrow(/only moves forward/)
    await expect(owner.query(`DELETE FROM revision WHERE id = '${id}'`)).rejects.toThrow(/not deleted/)
  })

  test('entries come back as they were written, numbered from one', async () => {
    const entries = fresh(3)
    const stored = await appendEntries(runA, entries, now)
    expect(stored.map(({ seq }) => seq)).toEqual([1, 2, 3])
    expect(stored.map(({ seq: _seq, received: _received, ...entry }) => entry)).toEqual(entries)
    expect((await readEntries([runA]))[runA]).toEqual(stored)
    expect((await readEntries([runA], { [runA]: 2 }))[runA]!.map(({ seq }) => seq)).toEqual([3])
  })

  test('sending the same again, or a batch that overlaps, changes nothing and answers the same', async () => {
    const entries = fresh(3)
    const first = await appendEntries(runA, entries.slice(0, 2), now)
    const again = await appendEntries(runA, entries.slice(0, 2), new Date())
    expect(again).toEqual(first)
    const more = await appendEntries(runA, [...entries].reverse(), now)
    expect(new Set(more.map(({ id }) => id)).size).toBe(3)
    expect(await EntryRow.count({ where: { id: entries.map(({ id }) => id) } })).toBe(3)
  })

  test('the same id twice in one batch is one entry', async () => {
    const [entry] = fresh(1)
    expect(await appendEntries(runA, [entry!, entry!], now)).toHaveLength(1)
  })

  test('an id of another run is refused', async () => {
    const entries = fresh(1)
    await appendEntries(runA, entries, now)
    await expect(appendEntries(runB, entries, now)).rejects.toThrow(ForeignEntryError)
    await expect(appendEntries('01J00000000000000000000009', fresh(1), now)).rejects.toThrow()
  })

  test('a batch of new entries takes five statements, and a sixth for the reason of a correction', async () => {
    const statements: string[] = []
    const query = jest.spyOn(app, 'query').mockImplementation(function (
      this: Sequelize,
      ...args: Parameters<Sequelize['query']>
    ) {
      statements.push(String((args[0] as { query?: string }).query ?? args[0]).slice(0, 40))
      return Object.getPrototypeOf(app).query.apply(app, args)
    } as never)
    const entries = fresh(50)
    await appendEntries(runA, entries, now)
    expect(statements.length).toBeLessThanOrEqual(5)
    statements.length = 0
    const [correction] = fresh(1)
    await appendEntries(runA, [{ ...correction!, supersedes: entries[0]!.id, reason: 'why' }], now)
    expect(statements.length).toBeLessThanOrEqual(6)
    query.mockRestore()
  })

  test('a correction names an entry of the same step of the same run, or nothing is written', async () => {
    const [good, bad] = fresh(2)
    const before = await lastNumbers([runA])
    for (const supersedes of [
      '01J99999999999999999999999',
      (await readEntries([runB]))[runB]?.[0]?.id ?? '01J99999999999999999999998',
    ])
      await expect(appendEntries(runA, [good!, { ...bad!, supersedes, reason: 'why' }], now)).rejects.toThrow(UnknownEntryError)
    expect(await lastNumbers([runA])).toEqual(before)
    expect(await EntryRow.count({ where: { id: good!.id } })).toBe(0)
  })

  test('many tablets writing at once: numbers without gaps or doubles', async () => {
    const before = (await Run.findByPk(runB))!.lastSeq
    await Promise.all(Array.from({ length: 20 }, () => appendEntries(runB, fresh(2), now)))
    const numbers = (await readEntries([runB]))[runB]!.map(({ seq }) => seq)
    expect(numbers).toEqual(Array.from({ length: before + 40 }, (_, index) => index + 1))
    expect(await lastNumbers([runB])).toEqual({ [runB]: before + 40 })
  })

  // Last, because it takes the models over to a connection of its own.
  test('benches that write their first entries side by side do not lock each other out', async () => {
    const template = (await Run.findByPk(runA, { rejectOnEmpty: true })).get({ plain: true })
    for (let round = 0; round < 5; round++) {
      const runs = fresh(60).map(({ id }, index) => ({
        ...template,
        id,
        code: `R${round}${String(index).padStart(4, '0')}`,
        lastSeq: 0,
      }))
      await Run.bulkCreate(runs.map((run) => ({ ...run, readCode: null })))
      const written = await Promise.all(runs.map(({ id }) => appendEntries(id, fresh(1), now)))
      expect(written.flat().map(({ seq }) => seq)).toEqual(runs.map(() => 1))
    }
  })

  test('seeding again leaves a filled database as it is', async () => {
    const count = () => owner.query('SELECT COUNT(*) AS n, MAX(at) AS latest FROM entry', { type: QueryTypes.SELECT })
    const before = await count()
    await seed(process.env.MOZLE_OWNER_URL!, new Date('2026-11-24T09:00:00Z'))
    expect(await count()).toEqual(before)
  })
})
