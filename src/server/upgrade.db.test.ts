/** Databases of earlier releases, as their demo left them, are brought forward and read. */
import { spawnSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import path from 'node:path'
import { gunzipSync } from 'node:zlib'
import { QueryTypes, type Sequelize } from 'sequelize'
import { runResults } from '@/core/result/runResults'
import { foldRun } from '@/core/run/foldRun'
import { today } from './today'
import { listPreparations } from './preparationLists'
import { openPreparation } from './preparations'
import { viewSession } from './sessions'
import { connectTo, database } from '@/data/connect'
import { migrate, migrations, type Migrations } from '@/data/migrate'
import { Membership, User } from '@/data/models'
import { proveLog } from '@/data/prove'

let owner: Sequelize

async function load(file: string): Promise<void> {
  owner = connectTo(process.env.MOZLE_OWNER_URL!)
  await owner.query('SET FOREIGN_KEY_CHECKS = 0')
  await owner.getQueryInterface().dropAllTables()
  const { username, password, port, pathname } = new URL(process.env.MOZLE_OWNER_URL!)
  const sql = gunzipSync(readFileSync(path.join(process.cwd(), 'src/data/releases', file)))
  const options = ['--no-defaults', '-h127.0.0.1', `-P${port}`, `-u${username}`, `-p${password}`, pathname.slice(1)]
  const { status, stderr } = spawnSync('mariadb', options, { input: sql, encoding: 'utf8' })
  expect([status, stderr]).toEqual([0, ''])
}

afterAll(async () => {
  await owner.close()
  await database().close()
})

/** What a later release may change: a table that is new, and a column that is filled from what is there. */
const later: Migrations = {
  ...migrations,
  '0002-of-a-later-release': async ({ sequelize }) => {
    await sequelize.query('CREATE TABLE later (id char(26) PRIMARY KEY)')
    await sequelize.query('ALTER TABLE preparation ADD letters int NOT NULL DEFAULT 0')
    await sequelize.query('UPDATE preparation SET letters = CHAR_LENGTH(title)')
  },
}

test('the first release: every plan, session and result is there as it was', async () => {
  await load('0001-demo.sql.gz')
  const select = <T extends object>(sql: string) => owner.query<T>(sql, { type: QueryTypes.SELECT })
  const plans = () => select<{ id: string; plan: string }>('SELECT id, plan FROM revision')
  const before = await plans()
  expect(before.length).toBeGreaterThan(8)
  expect(await migrate(owner)).toEqual([])
  expect(await migrate(owner, undefined, later)).toEqual(['0002-of-a-later-release'])
  expect(await plans()).toEqual(before)
  expect(await select('SELECT DISTINCT letters - CHAR_LENGTH(title) AS off FROM preparation')).toEqual([{ off: 0 }])

  const app = database()
  await app.query("INSERT INTO later VALUES ('x')")
  const { user, course } = (await Membership.findOne({ where: { role: 'owner' } }))!
  const { name } = (await User.findByPk(user))!
  const actor = { kind: 'user' as const, id: user, name, roles: { [course]: 'owner' as const } }
  const listed = await listPreparations(course, actor)
  expect(listed.length).toBeGreaterThan(8)
  for (const { id } of listed) expect((await openPreparation(id, actor)).revision.state).toBe('published')
  const { now, last } = await today(course, actor, new Date('2026-11-23T15:00:00Z'))
  const { plan, runs } = await viewSession(last!.id, true)
  // Bench 1 of section A weighed 4.41 g: 75 % of what it charged.
  const results = runResults(foldRun(plan, runs[0]!.scale, runs[0]!.entries))
  expect(results.result!.figure.value).toBeCloseTo(0.7506, 3)
  expect((await viewSession(now[0]!.id, true)).runs).toHaveLength(8)
  expect((await proveLog(owner, [], null)).touched).toEqual([])
})
