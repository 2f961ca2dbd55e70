/** Databases of earlier releases, as their demo left them, are brought forward and read. */
import { spawnSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import path from 'node:path'
import { gunzipSync } from 'node:zlib'
import { QueryTypes, type Sequelize } from 'sequelize'
import { readPlanFile } from '@/core/format/planFile'
import { runResults } from '@/core/result/runResults'
import { foldRun } from '@/core/run/foldRun'
import { today } from './today'
import { listPreparations } from './preparationLists'
import { openPreparation } from './preparations'
import { readDocument } from './documents'
import { viewSession } from './sessions'
import { connectTo, database } from '@/data/connect'
import { migrate } from '@/data/migrate'
import { migrationNames } from '@/data/migrationNames'
import { Membership, Revision, Run, RunStudent, Student, StudentGroup, User } from '@/data/models'

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

test('the release with the laboratory: every plan, session and result is there as it was', async () => {
  await load('0004-demo.sql.gz')
  const before = await owner.query<{ id: string; plan: string; title: string }>(
    'SELECT r.id, r.plan, p.title FROM revision r JOIN preparation p ON p.id = r.preparation',
    { type: QueryTypes.SELECT },
  )
  expect(before.length).toBeGreaterThan(8)
  expect(await migrate(owner)).toEqual(migrationNames.slice(4))
  const after = await owner.query<{ id: string; plan: string; title: string; brought_forward: string }>(
    'SELECT id, plan, title, brought_forward FROM revision',
    { type: QueryTypes.SELECT },
  )
  expect(new Map(after.map(({ id, plan }) => [id, plan]))).toEqual(new Map(before.map(({ id, plan }) => [id, plan])))
  expect(after.map(({ title }) => title).sort()).toEqual(before.map(({ title }) => title).sort())
  // What the old words say stands once beside the bytes, and is what is read from then on.
  for (const { id, plan, brought_forward: form } of after) {
    expect(JSON.parse(plan)).toHaveProperty('version', 2)
    expect(JSON.parse(form)).toHaveProperty('version', 3)
    expect(readPlanFile(form)).toEqual(readPlanFile(plan))
    await expect(owner.query(`UPDATE revision SET brought_forward = NULL WHERE id = '${id}'`)).rejects.toThrow(/once/)
  }

  database()
  const { user, course } = (await Membership.findOne({ where: { role: 'owner' } }))!
  const { name } = (await User.findByPk(user))!
  const actor = { kind: 'user' as const, id: user, name, roles: { [course]: 'owner' as const } }
  const listed = await listPreparations(course, actor)
  expect(listed).toHaveLength(before.length)
  for (const { id } of listed) expect((await openPreparation(id, actor)).revision.state).toBe('published')
  const at = new Date('2026-11-23T15:00:00Z')
  const { now, last } = await today(course, actor, at)
  const { plan, runs } = await viewSession(last!.id, true)
  // Bench 1 of section A weighed 4.41 g: 75 % of what it charged.
  const results = runResults(foldRun(plan, runs[0]!.scale, runs[0]!.entries))
  expect(results.result!.figure.value).toBeCloseTo(0.7506, 3)
  expect((await viewSession(now[0]!.id, true)).runs).toHaveLength(8)
  const kept = await Revision.findByPk(after[0]!.id, { rejectOnEmpty: true })
  const broughtForward = kept.broughtForward!.replace('"title": "', '"title": "As it was kept: ')
  const other = Revision.build({ ...kept.get(), id: '01J00000000000000000000009', broughtForward })
  expect((await readDocument(other)).title).toMatch(/^As it was kept: /)
  // The owner of before looks after the college, and every name that stood in a text is a person now.
  expect((await User.findByPk(user))!.administrator).toBe(true)
  const students = await Student.findAll({ order: [['place', 'ASC']] })
  const groups = await StudentGroup.findAll()
  for (const { id, members } of groups)
    expect(students.filter(({ studentGroup }) => studentGroup === id).map(({ name }) => name)).toEqual(members.split(', '))
  expect(await RunStudent.count()).toBeGreaterThan(await Run.count())
  // Runs from before have no code for reading until they get one.
  expect(await Run.count({ where: { readCode: null } })).toBe(24)
})
