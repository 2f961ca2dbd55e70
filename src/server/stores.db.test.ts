/** What the stores write down: ticks that move bottles, two people at one bottle, what a year used, and the timetable of a day. */
import type { Sequelize } from 'sequelize'
import { ulid } from 'ulid'
import { emptyDatabase } from '@/test-support/database'
import { setClock } from '@/data/clock'
import { database } from '@/data/connect'
import { defaultLab } from '@/core/lab/lab'
import { noDayPlan } from '@/core/stores/record'
import { BottleMoveRow, BottleRow, Course, StoresRecordRow } from '@/data/models'
import { college } from '@/demo/college'
import { seed } from '../../scripts/seed'
import { listBottles } from './bottles'
import { changeBottle } from './bottles'
import { moveBottle, usedBetween } from './bottleMoves'
import { yearOfCourse } from './day'
import { labelsView } from './labelsView'
import { preparedFor } from './prepared'
import { settingOutView, storesAhead } from './settingOut'
import { dayPlanOf, writeDayPlan } from './dayPlans'
import { storesRecords, writeRecord } from './stores'
import { moveFor, writeAndMove } from './storesMoves'
import { minutesFor, timetableCalendar, timetableView } from './timetableView'
import { usedView } from './usedView'
import { wasteOfYear } from './wasteOfYear'
import { wasteView } from './wasteView'

const now = new Date('2026-11-23T15:00:00Z')
const made = college(now, 'UTC')
const course = made.course.id
const [finished, on, next] = made.sessions as [(typeof made.sessions)[0], (typeof made.sessions)[0], (typeof made.sessions)[0]]
const [owner, , storesPerson] = made.people as [Person, Person, Person]
type Person = (typeof made.people)[number]
const bottle = (substance: string) => made.bottles.find((each) => each.substance === substance)!.id
let tables: Sequelize
let app: Sequelize

beforeAll(async () => {
  tables = await emptyDatabase()
  await seed(process.env.MOZLE_OWNER_URL!, now, 'UTC')
  app = database()
}, 60_000)
afterEach(() => setClock())
afterAll(async () => {
  await tables.close()
  await app.close()
})

const leftOf = async (id: string) => (await BottleRow.findByPk(id, { rejectOnEmpty: true })).leftValue
const tick = (item: string, done: boolean, from: { bottle: string; take: number }[]) => ({
  kind: 'tick' as const,
  item,
  body: { done, issue: 10, unit: 'mL' as const, from },
})

describe('bottles', () => {
  test('a tick takes out what was set out, and taking it away brings it back; each is written down', async () => {
    const aniline = bottle('aniline')
    const before = await leftOf(aniline)
    const set = tick('x', true, [{ bottle: aniline, take: 34.5 }])
    await moveFor(next.id, set, storesPerson.id)
    await writeRecord({ course, session: next.id, ...set }, storesPerson.id)
    expect(await leftOf(aniline)).toBeCloseTo(before - 34.5, 9)
    await moveFor(next.id, tick('x', false, []), storesPerson.id)
    expect(await leftOf(aniline)).toBeCloseTo(before, 9)
    const moves = await BottleMoveRow.findAll({ where: { bottle: aniline }, order: [['id', 'ASC']] })
    expect(moves.map(({ kind, amount, session }) => [kind, amount, session])).toEqual([
      ['set out', -34.5, next.id],
      ['came back', 34.5, next.id],
    ])
  })

  test('two people tick one thing in the same moment: it is taken out once; what the bottle has not is no tick', async () => {
    const aldehyde = bottle('benzaldehyde')
    const before = await leftOf(aldehyde)
    const set = { course, session: next.id, ...tick('twice', true, [{ bottle: aldehyde, take: 50 }]) }
    await Promise.all([
      writeAndMove(set, owner.id),
      new Promise((resolve) => setTimeout(resolve, 5)).then(() => writeAndMove(set, storesPerson.id)),
    ])
    expect(await leftOf(aldehyde)).toBeCloseTo(before - 50, 9)
    await writeAndMove({ ...set, ...tick('twice', false, []) }, owner.id)
    expect(await leftOf(aldehyde)).toBeCloseTo(before, 9)
    const tooMuch = { course, session: next.id, ...tick('much', true, [{ bottle: aldehyde, take: 5000 }]) }
    await expect(writeAndMove(tooMuch, owner.id)).rejects.toThrow('Only 250 mL')
    expect((await storesRecords(next.id)).find(({ item }) => item === 'much')!.body).toMatchObject({ done: false })
  })

  test('no more than there is, and the figure stays', async () => {
    const anhydride = bottle('acetic anhydride')
    await expect(moveBottle(anhydride, { kind: 'charged', by: -35 }, owner.id)).rejects.toThrow(
      'Only 34 mL of acetic anhydride are left',
    )
    expect(await leftOf(anhydride)).toBe(34)
    await moveBottle(anhydride, { kind: 'charged', by: -34 }, owner.id)
    expect(await leftOf(anhydride)).toBe(0)
    await moveBottle(anhydride, { kind: 'filled', by: 34 }, owner.id)
  })

  test('six people at one bottle at once: nothing is lost', async () => {
    const acid = bottle('acetic acid')
    const before = await leftOf(acid)
    await Promise.all(Array.from({ length: 6 }, () => moveBottle(acid, { kind: 'charged', by: -1.1 }, owner.id)))
    expect(await leftOf(acid)).toBeCloseTo(before - 6.6, 9)
    expect(await BottleMoveRow.count({ where: { bottle: acid } })).toBe(6)
  })

  test('counted again, with a reason; another unit is refused', async () => {
    const nutmeg = bottle('ground nutmeg')
    const left = { value: 51, unit: 'g' as const, decimals: 0 }
    await changeBottle(
      nutmeg,
      { left, place: 'shelf 6', about: { lot: 'A7', expiresOn: '2027-03-01' }, reason: 'spilt' },
      owner.id,
    )
    const found = (await listBottles(course)).find(({ id }) => id === nutmeg)
    expect(found).toMatchObject({ left: { value: 51 }, place: 'shelf 6', lot: 'A7', expiresOn: '2027-03-01' })
    expect(await BottleMoveRow.findOne({ where: { bottle: nutmeg } })).toMatchObject({
      kind: 'counted',
      amount: -9,
      reason: 'spilt',
    })
    await expect(changeBottle(nutmeg, { left: { ...left, unit: 'mL' }, place: '' }, owner.id)).rejects.toThrow('kept in g')
  })

  test('what a year used: what went out and did not come back; counting uses nothing', async () => {
    const rows = await usedBetween(course, new Date('2020-01-01'), new Date('2100-01-01'))
    const used = Object.fromEntries(rows.map((row) => [row.what, Number(row.used)]))
    expect(used['acetic acid']).toBeCloseTo(6.6, 9)
    expect(used.aniline).toBeCloseTo(0, 9)
    expect(used['ground nutmeg']).toBeUndefined()
    expect(await usedBetween(course, new Date('2020-01-01'), new Date('2020-02-01'))).toEqual([])
  })

  test('the application may add movements and records, and change none', async () => {
    for (const table of ['bottle_move', 'stores_record']) {
      await expect(app.query(`UPDATE ${table} SET at = at`)).rejects.toThrow(/denied/)
      await expect(app.query(`DELETE FROM ${table}`)).rejects.toThrow(/denied/)
    }
  })
})

describe('a session to make ready', () => {
  test('the newest record of an item counts; one that cannot be read is left out', async () => {
    const write = (body: object, item = 'solid') =>
      writeRecord({ course, session: on.id, kind: 'waste', item, body }, storesPerson.id)
    await write({ litres: 1.2, note: '' })
    await write({ litres: 1.5, note: 'half full' })
    await StoresRecordRow.create({
      id: '01HZZZZZZZZZZZZZZZZZZZZZZZ',
      course,
      session: on.id,
      kind: 'waste',
      item: 'broken',
      body: '{',
      at: now,
      person: owner.id,
    })
    const records = await storesRecords(on.id)
    expect(records).toMatchObject([
      { kind: 'waste', item: 'solid', body: { litres: 1.5, note: 'half full' }, by: storesPerson.name },
    ])
    const of = async (year: number) => wasteOfYear(course, await yearOfCourse(course, year))
    expect(await of(2026)).toMatchObject([{ stream: 'solid', litres: 1.5, room: 'North lab' }])
    expect(await of(2025)).toEqual([])
    // By the laboratory’s calendar: a year begins in Auckland while it is the last day of the old one in UTC.
    await Course.update({ zone: 'Pacific/Auckland' }, { where: { id: course } })
    const span = await yearOfCourse(course, null, new Date('2026-12-31T11:00:00Z'))
    expect(span).toEqual({ year: 2027, from: new Date('2026-12-31T11:00:00Z'), to: new Date('2027-12-31T11:00:00Z') })
    await Course.update({ zone: 'UTC' }, { where: { id: course } })
  })

  test('what is set out, from which bottle, and what a solution is made of', async () => {
    const { rows, things, unsaid } = await settingOutView(next.id, made.course.lab)
    expect(unsaid).toEqual([])
    const row = (name: string) => rows.find((each) => each.name === name)!
    expect(row('benzaldehyde')).toMatchObject({ issue: 86, short: 0, from: [{ take: 86 }] })
    // 9 g are there of 15.
    expect(row('thiamine hydrochloride').short).toBeCloseTo(6, 9)
    expect(row('sodium hydroxide')).toMatchObject({
      fetched: { name: 'sodium hydroxide', unit: 'g' },
      short: 0,
      solution: { order: 'base into water' },
    })
    expect(row('water')).toMatchObject({ tap: true, short: 0 })
    expect(things.find(({ name }) => name === 'balance')).toMatchObject({ all: 2 })
  })

  test('what is ahead, and what must be ordered by when', async () => {
    const { sessions, order } = await storesAhead(course, now, new Date('2026-12-05'))
    expect(sessions.map(({ head }) => head.id)).toEqual([on.id, next.id])
    const thiamine = order.find(({ name }) => name === 'thiamine hydrochloride')!
    expect(thiamine).toMatchObject({ unit: 'g', by: '2026-11-29', for: 'Benzoin, Section A' })
    expect(thiamine.missing).toBeCloseTo(6, 9)
    expect(order.some(({ name }) => name === 'water')).toBe(false)
  })

  test('labels with the hazards of their strength, and of every waste container', async () => {
    const { labels } = await labelsView(next.id, made.course.lab)
    expect(labels.find(({ name }) => name === 'sodium hydroxide')).toMatchObject({
      kind: 'solution',
      detail: '3 mol/L',
      signal: 'danger',
      pictograms: ['GHS05'],
    })
    expect(labels.find(({ kind }) => kind === 'waste')).toMatchObject({ name: 'other organic', note: 'hood A' })
    expect(labels.filter(({ name }) => name === 'Bench 1')).toHaveLength(2)
  })

  test('waste is filled by what the benches have done', async () => {
    const [ahead, over] = [await wasteView(on.id, made.course.lab), await wasteView(finished.id, made.course.lab)]
    expect(ahead.rows[0]).toMatchObject({ stream: 'aqueous acid or base', place: 'hood 1, left', soFarL: 0 })
    expect(over.rows[0]!.soFarL).toBeGreaterThan(1)
    expect(over.rows[0]!.soFarL).toBeLessThan(3)
    // A third of a bottle of 5 L is no reason to call anybody; from three quarters of what one may hold on somebody is called.
    expect(over.rows[0]!.call).toBe(false)
    const small = (sizeL: number) => ({
      ...made.course.lab,
      rooms: [{ name: 'North lab', stations: [], waste: [{ stream: 'aqueous acid or base' as const, place: '', sizeL }] }],
    })
    expect((await wasteView(finished.id, small((1.1 * over.rows[0]!.soFarL) / 0.9))).rows[0]!.call).toBe(true)
    expect((await wasteView(finished.id, small(over.rows[0]!.soFarL / 0.9 / 0.74))).rows[0]!.call).toBe(false)
  })

  test('what was charged, against what was set out; it is settled once', async () => {
    const { rows, over } = await usedView(finished.id, made.course.lab)
    expect(over).toBe(true)
    const aniline = rows.find(({ name }) => name === 'aniline')!
    // The masses that section A wrote down, by the density of 1.022 g/mL.
    expect(aniline.charged).toBeCloseTo((4.089 + 4.056 + 4.102 + 3.274 + 4.084 + 4.093 + 4.037 + 4.091) / 1.022, 2)
    expect(aniline.benches).toBe(8)
    const before = await leftOf(bottle('aniline'))
    const settled = {
      kind: 'settled' as const,
      item: aniline.item,
      body: { how: 'charged' as const, moves: [{ bottle: bottle('aniline'), amount: 31.1 }] },
    }
    await moveFor(finished.id, settled, storesPerson.id)
    await writeRecord({ course, session: finished.id, ...settled }, storesPerson.id)
    expect(await leftOf(bottle('aniline'))).toBeCloseTo(before - 31.1, 9)
    await expect(moveFor(finished.id, settled, storesPerson.id)).rejects.toThrow('settled already')
  })

  test('a bench finds where its waste goes and which vials were weighed for it', async () => {
    const run = on.runs[2]!
    const plan = made.preparations[0]!.plan
    const vial = (item: string, bench: number | null, gone = false) =>
      writeRecord(
        { course, session: on.id, kind: 'tare', item, body: { massG: 12.3, decimals: 3, capped: true, bench, gone } },
        owner.id,
      )
    await vial('1', null)
    await vial('2', 3)
    await vial('3', 4)
    await vial('4', 3, true)
    const { waste, vials } = await preparedFor(run.id, 3, plan, made.course.lab, now)
    expect(waste).toEqual({
      dispose: [
        { stream: 'aqueous acid or base', place: 'hood 1, left' },
        { stream: 'solid', place: 'under hood 2' },
      ],
    })
    expect(vials.map(({ name }) => name)).toEqual(['1', '2'])
    expect((await preparedFor(run.id, 3, plan, defaultLab, now)).waste).toEqual({})
  })
})

describe('the timetable of a session', () => {
  test('stations of its room, minutes from the class before', async () => {
    setClock(() => now.getTime())
    const view = await timetableView(on.id, made.course.lab, true)
    expect(view.stations).toContainEqual({ name: 'melting-point apparatus', count: 2 })
    expect(view.logged.classes).toBe(3)
    expect(view.logged.steps.reflux!.ended).toBeGreaterThanOrEqual(4)
    expect(view.happened).toHaveLength(8)
    expect(view.happened.some(({ beganAt }) => beganAt !== null)).toBe(true)
    expect((await timetableView(on.id, made.course.lab, false)).happened).toEqual([])
    expect((await minutesFor(on.id, made.course.lab)).today).toContain('melt')
    const { stations } = await timetableView(on.id, defaultLab, false)
    expect(stations.every(({ count }) => count === null)).toBe(true)
  })

  test('what was said for the day goes before the room, and the last that was written counts', async () => {
    const day = { counts: [{ name: 'melting-point apparatus', count: 1 }], told: [{ bench: 2, startMin: 15, moved: [] }] }
    const other = { counts: [], told: [{ bench: 1, startMin: 5, moved: [] }] }
    await writeDayPlan(course, on.id, { value: other, over: [noDayPlan] }, owner.id)
    // Whoever wrote last has the newest, also where the clock of another server was ahead.
    const ahead = { id: ulid(Date.now() + 60_000), course, session: on.id, kind: 'timetable', item: '', person: owner.id }
    await StoresRecordRow.create({ ...ahead, at: new Date(), body: JSON.stringify(noDayPlan) })
    expect(await dayPlanOf(on.id)).toEqual(noDayPlan)
    await writeDayPlan(course, on.id, { value: day, over: [noDayPlan] }, owner.id)
    expect(await dayPlanOf(on.id)).toEqual(day)
    // Somebody who had not seen it is told, and nothing is written; what stands already is not written again.
    await expect(writeDayPlan(course, on.id, { value: other, over: [noDayPlan] }, owner.id)).rejects.toMatchObject({
      status: 409,
      message: expect.stringContaining('theirs stands here now'),
      details: { now: day },
    })
    const written = await StoresRecordRow.count({ where: { session: on.id, kind: 'timetable' } })
    await writeDayPlan(course, on.id, { value: day, over: [other] }, owner.id)
    expect(await StoresRecordRow.count({ where: { session: on.id, kind: 'timetable' } })).toBe(written)
    expect(await dayPlanOf(on.id)).toEqual(day)
    expect((await timetableView(on.id, made.course.lab, false)).stations).toContainEqual({
      name: 'melting-point apparatus',
      count: 1,
    })
    const calendar = await timetableCalendar(on.id, made.course.lab)
    expect(calendar.match(/BEGIN:VEVENT/g)).toHaveLength(8)
    expect(calendar).toContain('melting-point apparatus')
    expect(calendar).not.toContain('Ashdown')
  })

  test('a record that cannot be read any more is no plan for the day', async () => {
    const broken = { id: ulid(), course, session: next.id, kind: 'timetable', item: '', person: owner.id }
    await StoresRecordRow.create({ ...broken, at: new Date(), body: JSON.stringify({ told: 'x' }) })
    expect(await dayPlanOf(next.id)).toEqual(noDayPlan)
    const value = { counts: [{ name: 'balance', count: 2 }], told: [] }
    await writeDayPlan(course, next.id, { value, over: [noDayPlan] }, owner.id)
    expect(await dayPlanOf(next.id)).toEqual(value)
  })
})
