/** Tokens as they stand in the database, and what two people do at the same moment without a lock between them. */
import { QueryTypes, type Sequelize } from 'sequelize'
import { emptyDatabase } from '@/test-support/database'
import { refused } from '@/test-support/refused'
import { college } from '@/demo/college'
import { database } from '@/data/connect'
import { Draft, Preparation, TokenRow } from '@/data/models'
import { seed } from '../../scripts/seed'
import { deedsBefore, record } from './deeds'
import { publish, saveDraft, startDraft, startPreparation } from './drafts'
import { createSession } from './setSessions'
import { sectionsOfCourse, saveGroups } from './students'
import { isForCourse, makeToken, tokenHere, tokensOfCollege, withdrawToken } from './tokens'

const now = new Date('2026-11-23T15:00:00Z')
const made = college(now, 'UTC')
const owner = made.people[0]!.id
const plan = made.preparations[0]!.plan
let tables: Sequelize

beforeAll(async () => {
  tables = await emptyDatabase()
  await seed(process.env.MOZLE_OWNER_URL!, now, 'UTC')
  database()
}, 60_000)
afterAll(async () => {
  await tables.close()
  await database().close()
})

const after = (ms: number) => new Date(now.getTime() + ms)
const day = 86_400_000

test('a token stands until its end or until it is withdrawn; its secret is kept nowhere', async () => {
  const wanted = { name: 'registry', rights: ['people.read', 'people.read', 'results.read'] as const, course: null, days: 30 }
  const { id, token } = await makeToken(wanted, owner, now)
  expect(token).toMatch(/^mozle_[\w-]{43}$/)
  expect(JSON.stringify((await TokenRow.findByPk(id))!.get())).not.toContain(token)
  expect(await tokenHere(token, after(1))).toEqual({
    ...{ kind: 'token', id, name: 'registry', course: null },
    rights: ['people.read', 'results.read'],
  })
  expect(await tokenHere(token, after(30 * day - 1))).not.toBeNull()
  expect(await tokenHere(token, after(30 * day))).toBeNull()
  expect(await tokenHere(`${token}x`, now)).toBeNull()
  await withdrawToken(id, after(2))
  expect(await tokenHere(token, after(3))).toBeNull()
  // Withdrawn once is withdrawn; what never was is told.
  await withdrawToken(id, after(9))
  expect((await tokensOfCollege()).find((each) => each.id === id)!.withdrawnAt).toBe(after(2).toISOString())
  expect(await refused(withdrawToken('01J0000000000000000000NONE'))).toMatch(/^404/)
  expect(await refused(makeToken({ ...wanted, course: '01J0000000000000000000NONE' }, owner, now))).toMatch(/^404/)
})

test('a token for every course is for none that is not there', async () => {
  const of = async (course: string | null) => {
    const { token } = await makeToken({ name: 'archive', rights: ['people.read'], course, days: 1 }, owner, now)
    return (await tokenHere(token, now))!
  }
  const nowhere = '01J0000000000000000000NONE'
  for (const token of [await of(null), await of(made.course.id)])
    expect([await isForCourse(token, made.course.id), await isForCourse(token, nowhere)]).toEqual([true, false])
})

test('its last use is noted to the minute, and what it does stands in the record by its name', async () => {
  const { id, token } = await makeToken(
    { name: 'timetable', rights: ['sessions.read'], course: made.course.id, days: 1 },
    owner,
    now,
  )
  const used = async () => (await tokensOfCollege()).find((each) => each.id === id)!.usedAt
  expect(await used()).toBeNull()
  await tokenHere(token, after(1000))
  await tokenHere(token, after(60_999))
  expect(await used()).toBe(after(1000).toISOString())
  await tokenHere(token, after(61_001))
  expect(await used()).toBe(after(61_001).toISOString())
  await record({ what: 'set a session', person: id, course: made.course.id, from: '127.0.0.1' }, now)
  expect((await deedsBefore(undefined))[0]).toMatchObject({ who: 'timetable', what: 'set a session' })
})

/** What came of things done at the same moment: how many were done, and why the others were not. */
async function atOnce(deeds: (() => Promise<unknown>)[]): Promise<{ done: number; statuses: number[] }> {
  const all = await Promise.all(
    deeds.map((deed) =>
      deed().then(
        () => 200 as number,
        (error: { status?: number }) => error.status ?? 500,
      ),
    ),
  )
  return { done: all.filter((status) => status === 200).length, statuses: all.filter((status) => status !== 200) }
}

test('of several who save, start or publish a draft at once, one does, and the others are told', async () => {
  const { id } = await startPreparation(made.course.id, plan, owner, now)
  const draft = (await Draft.findOne({ where: { preparation: id }, rejectOnEmpty: true })).id
  for (let version = 1; version <= 5; version++)
    expect(
      await atOnce([1, 2, 3].map((each) => () => saveDraft(draft, version, { ...plan, aim: `${version} ${each}` }, owner))),
    ).toEqual({ done: 1, statuses: [409, 409] })
  expect((await Draft.findByPk(draft))!.version).toBe(6)
  // A save and a publication of one version: whichever is first.
  const { done, statuses } = await atOnce([
    () => publish(draft, 6, owner, now),
    () => saveDraft(draft, 6, { ...plan, aim: 'late' }, owner),
  ])
  expect([done, statuses]).toEqual([1, [409]])
  if (await Draft.findByPk(draft)) await publish(draft, 7, owner, now)
  expect(await atOnce([1, 2, 3, 4].map(() => () => startDraft(id, draft, plan, owner, now)))).toEqual({
    done: 1,
    statuses: [409, 409, 409],
  })
  expect(await Draft.count({ where: { preparation: id } })).toBe(1)
  expect((await Preparation.findByPk(id))!.title).toBe(plan.title)
})

test('of several who put the groups of a section as they want them at once, one does, and the others are told', async () => {
  const [section] = await sectionsOfCourse(made.course.id)
  const seen = section!.groups.flatMap(({ members }) => members.map(({ id }) => id))
  const groups = (name: string) => [{ bench: 1, names: [name] }]
  expect(
    await atOnce(['Odile Farrow', 'Jens Aldag'].map((name) => () => saveGroups(section!.id, { groups: groups(name), seen }))),
  ).toEqual({
    done: 1,
    statuses: [409],
  })
})

test('of several who set sessions in one room at once, one does, and the others are told who has it', async () => {
  const sections = await sectionsOfCourse(made.course.id)
  const set = ({ id, groups }: (typeof sections)[number]) =>
    createSession(
      {
        section: id,
        revision: made.preparations[0]!.revision,
        days: [{ startsAt: after(90 * day).toISOString(), endsAt: after(91 * day).toISOString(), room: 'Room of many' }],
        groups: [{ group: groups[0]!.id, scale: 1 }],
      },
      now,
    )
  const [one, two] = sections.filter(({ groups }) => groups.length > 0)
  const wanted = [one!, two ?? one!, one!, two ?? one!].map((each) => () => set(each))
  expect(await atOnce(wanted)).toEqual({ done: 1, statuses: [409, 409, 409] })
})

test('every table has a key of its own and an engine that a cluster copies', async () => {
  const rows = await tables.query<{ name: string; engine: string; keys: number | bigint }>(
    `SELECT t.table_name AS name, t.engine,
       (SELECT COUNT(*) FROM information_schema.table_constraints c WHERE c.table_schema = t.table_schema AND c.table_name = t.table_name AND c.constraint_type = 'PRIMARY KEY') AS \`keys\`
     FROM information_schema.tables t WHERE t.table_schema = DATABASE()`,
    { type: QueryTypes.SELECT },
  )
  expect(rows.length).toBeGreaterThan(20)
  for (const { name, engine, keys } of rows) expect([name, engine, Number(keys)]).toEqual([name, 'InnoDB', 1])
})
