/** How many statements the pages take does not grow with the years behind them; and one bad record takes nothing else down. */
import { slower } from '@/test-support/slower'
import { ulid } from 'ulid'
import { QueryTypes, type Sequelize } from 'sequelize'
import { emptyDatabase } from '@/test-support/database'
import { database } from '@/data/connect'
import { Draft, LabSession, Run } from '@/data/models'
import { college } from '@/demo/college'
import { seed } from '../../scripts/seed'
import { discardDraft, startPreparation } from './drafts'
import { listPreparations, publishedPlans } from './preparationLists'
import { openPreparation } from './preparations'
import type { Actor } from './rights'
import { listSessions, sessionChoices, viewSession } from './sessions'
import { today } from './today'

const now = new Date('2026-11-23T15:00:00Z')
const made = college(now, 'UTC')
const course = made.course.id
const owner: Actor = { kind: 'user', id: made.people[0]!.id, name: '', roles: { [course]: 'owner' } }
let tables: Sequelize
let app: Sequelize

beforeAll(async () => {
  tables = await emptyDatabase()
  await seed(process.env.MOZLE_OWNER_URL!, now, 'UTC')
  app = database()
}, 60_000)
afterAll(async () => {
  await tables.close()
  await app.close()
})

async function statementsOf(work: () => Promise<unknown>): Promise<number> {
  let count = 0
  const own = app.query.bind(app) as (...args: unknown[]) => Promise<unknown>
  const spy = jest.spyOn(app, 'query').mockImplementation(((...args: unknown[]) => {
    count++
    return own(...args)
  }) as never)
  await work()
  spy.mockRestore()
  return count
}

const pages: [string, () => Promise<unknown>][] = [
  ['today', () => today(course, owner, now)],
  ['class', () => listSessions(course)],
  ['desk', () => listPreparations(course, owner)],
  ['a session', () => viewSession(made.sessions[0]!.id, true)],
  ['setting a session', () => sessionChoices(course)],
]

test('a thousand sessions more take not one statement more, and today still answers at once', async () => {
  for (const [, load] of pages) await load()
  const before = await Promise.all(pages.map(async ([, load]) => load)).then(async (loads) => {
    const counts: number[] = []
    for (const load of loads) counts.push(await statementsOf(load))
    return counts
  })
  for (const count of before) expect(count).toBeLessThanOrEqual(40)
  const sessions = Array.from({ length: 1000 }, (_, index) => {
    const startsAt = new Date(now.getTime() - (index + 10) * 86_400_000)
    return {
      id: ulid(),
      section: made.sections[0]!.id,
      revision: made.preparations[0]!.revision,
      startsAt,
      endsAt: new Date(startsAt.getTime() + 4 * 3_600_000),
      room: 'x',
    }
  })
  await LabSession.bulkCreate(sessions)
  await Run.bulkCreate(
    sessions.map(({ id }, index) => ({
      id: ulid(),
      session: id,
      studentGroup: made.sections[0]!.groups[0]!.id,
      bench: 1,
      members: 'x',
      scale: 1,
      code: `O${String(index).padStart(5, '0')}`,
    })),
  )
  const after: number[] = []
  for (const [, load] of pages) after.push(await statementsOf(load))
  expect(after).toEqual(before)
  const started = performance.now()
  await today(course, owner, now)
  expect(performance.now() - started).toBeLessThan(1500 * slower())
  const first = await listSessions(course)
  expect([first.sessions.length, first.more]).toEqual([40, true])
  const second = await listSessions(course, 2)
  expect(first.sessions.at(-1)!.startsAt > second.sessions[0]!.startsAt).toBe(true)
})

test('a draft and a revision that cannot be read: their rows say so, everything else works, and the owner takes them out', async () => {
  const plan = made.preparations[1]!.plan
  const { id } = await startPreparation(course, { ...plan, title: 'Broken' }, owner.kind === 'user' ? owner.id : '', now)
  // As 1e999 was once saved: a number that became null.
  await Draft.update(
    { plan: JSON.stringify({ ...plan, lines: [{ ...plan.lines[0], coefficient: 'null' }] }) },
    { where: { preparation: id } },
  )
  await expect(openPreparation(id, owner)).rejects.toThrow(/lines/)
  const row = (await listPreparations(course, owner)).find((each) => each.id === id)!
  expect(row).toMatchObject({ title: 'Broken', fault: expect.stringMatching(/lines/) as string })
  const { waiting } = await today(course, owner, now)
  expect(waiting.map(({ words }) => words)).toContain('Broken cannot be read')
  expect(waiting.length).toBeGreaterThan(1)
  const draft = (await Draft.findOne({ where: { preparation: id } }))!
  expect(await discardDraft(draft.id)).toEqual({ preparation: null })
  expect((await listPreparations(course, owner)).map(({ title }) => title)).not.toContain('Broken')

  const bad = made.preparations[2]!
  await tables.query('DROP TRIGGER revision_is_frozen')
  await tables.query(`UPDATE revision SET plan = '{"format":"mozle-plan","version":2}' WHERE id = '${bad.revision}'`, {
    type: QueryTypes.UPDATE,
  })
  jest.resetModules()
  const anew = jest.requireActual<typeof import('./preparationLists')>('./preparationLists')
  const { database: other } = jest.requireActual<typeof import('@/data/connect')>('@/data/connect')
  other()
  expect((await anew.publishedPlans(course)).unreadable).toEqual([bad.plan.title])
  await other().close()
  expect((await publishedPlans(course)).plans.length).toBeGreaterThan(3)
  await expect(discardDraft(bad.revision)).rejects.toThrow(/put the preparation away/)
})
