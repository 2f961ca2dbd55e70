import type { Sequelize } from 'sequelize'
import { acetanilide } from '@/test-support/plans'
import { TestLog } from '@/test-support/entries'
import { emptyDatabase } from '@/test-support/database'
import { database } from '@/data/connect'
import { appendEntries } from '@/data/entries'
import { Attempt, Course, Revision, Run } from '@/data/models'
import { defaultLab } from '@/core/lab/lab'
import { writePlanFile } from '@/core/format/planFile'
import { scalePlan } from '@/core/reaction/scalePlan'
import { college } from '@/demo/college'
import { seed } from '../../scripts/seed'
import { limited } from './attempts'
import { addBottle, changeBottle, listBottles, removeBottle } from './bottles'
import { isOn } from './day'
import { labFrom, saveLab } from './laboratory'
import { cursorOf, liveStream } from './live'
import {
  archivePreparation,
  copyPreparation,
  fileName,
  listPreparations,
  openPreparation,
  planTextOf,
  publish,
  saveDraft,
  startDraft,
  startPreparation,
} from './preparations'
import { Refusal } from './refusal'
import { earlierProducts } from './sequences'
import { csvOfSession } from './results'
import { signStep, viewRun, writeEntries } from './runs'
import { createSession, sessionChoices, viewSession } from './sessions'
import { checkPassword, enterBench } from './signIn'
import { today } from './today'

const sealed: Record<string, unknown> = {}
jest.mock('./cookies', () => ({ sealedCookie: async () => Object.assign(sealed, { save: async () => {}, destroy: () => {} }) }))

const now = new Date('2026-11-23T15:00:00Z')
const made = college(now, 'UTC')
const [owner, demonstrator] = made.people
const [, on, next] = made.sessions
const preparation = made.preparations[0]!
let tables: Sequelize

beforeAll(async () => {
  tables = await emptyDatabase()
  await seed(process.env.MOZLE_OWNER_URL!, now)
  database()
})
afterAll(async () => {
  await tables.close()
  await database().close()
})

const refusal = async (work: Promise<unknown>): Promise<Refusal> => {
  try {
    await work
  } catch (error) {
    if (error instanceof Refusal) return error
    throw error
  }
  throw new Error('it was not refused')
}

describe('signing in', () => {
  test('the right password opens, the name in any case', async () => {
    expect((await checkPassword(' Varga ', owner!.password)).id).toBe(owner!.id)
  })

  test('a wrong password and an unknown name are refused in the same words', async () => {
    const [wrong, unknown] = [await refusal(checkPassword('varga', 'guess')), await refusal(checkPassword('nobody', 'guess'))]
    expect([wrong.status, wrong.message]).toEqual([401, unknown.message])
  })

  test('after eight failures the name waits, even with the right password; success clears the count', async () => {
    await Attempt.destroy({ where: {} })
    for (let attempt = 0; attempt < 8; attempt++) await refusal(checkPassword('bello', 'guess'))
    expect((await refusal(checkPassword('bello', made.people[3]!.password))).status).toBe(429)
    await Attempt.update({ since: new Date(Date.now() - 16 * 60_000) }, { where: {} })
    expect((await checkPassword('bello', made.people[3]!.password)).signIn).toBe('bello')
    expect(await Attempt.count({ where: { key: 'user:bello' } })).toBe(0)
  })

  test('the limit counts per key and its window ends', async () => {
    const fail = (at: Date) => limited('k', 2, async () => null, at)
    await fail(now)
    await fail(now)
    await expect(fail(now)).rejects.toThrow(/Wait 15 min/)
    await expect(fail(new Date(now.getTime() + 15 * 60_000 + 1))).resolves.toBeNull()
  })

  test('a bench code opens its run on its day only', async () => {
    const run = on!.runs[3]!
    await enterBench(run.code.toLowerCase(), 'tablet', now)
    expect(sealed.bench).toEqual({ run: run.id, day: '2026-11-23' })
    // A session that goes on past midnight keeps its codes to its end.
    const past = new Date(on!.endsAt.getTime() + 60_000)
    await enterBench(run.code, 'tablet', on!.endsAt)
    expect(isOn(on!, on!.endsAt)).toBe(true)
    expect(isOn(on!, past)).toBe(false)
    expect((await refusal(enterBench(next!.runs[0]!.code, 'tablet', now))).message).toMatch(
      /code is for 2026-11-30; today is 2026-11-23/,
    )
    expect((await refusal(enterBench('ZZZZZZ', 'tablet', now))).message).toMatch(/No bench has this code/)
  })
})

describe('bottles on the shelf', () => {
  const bottle = {
    substance: 'toluene',
    formula: 'C7H8',
    form: { kind: 'neat' as const, purity: 1 },
    left: { value: 500, unit: 'mL' as const, decimals: 0 },
    place: 'shelf 2',
  }

  test('those of the demo stand there, with the person who wrote them down', async () => {
    const found = await listBottles(made.course.id)
    expect(found).toHaveLength(made.bottles.length)
    expect(found.find(({ substance }) => substance === 'aniline')).toMatchObject({
      left: { value: 180, unit: 'mL' },
      changedBy: 'Per Lindtorp',
    })
  })

  test('one is added, used from, and taken off', async () => {
    const { id } = await addBottle(made.course.id, bottle, owner!.id, now)
    await changeBottle(id, { left: { value: 350, unit: 'mL', decimals: 0 }, place: 'shelf 3' }, demonstrator!.id, now)
    expect((await listBottles(made.course.id)).find((each) => each.id === id)).toMatchObject({
      ...bottle,
      left: { value: 350 },
      place: 'shelf 3',
      changedBy: demonstrator!.name,
    })
    await removeBottle(id)
    expect((await refusal(changeBottle(id, bottle, owner!.id))).message).toMatch(/no longer on the shelf/)
  })
})

describe('the laboratory', () => {
  test('the demo’s has a pressure and two apparatus; a bench sees what stands now', async () => {
    const { lab } = await Course.findByPk(made.course.id, { rejectOnEmpty: true })
    expect(labFrom(lab)).toEqual(made.course.lab)
    const run = made.sessions[1]!.runs[0]!.id
    expect((await viewRun(run)).lab.instruments.map(({ name }) => name)).toEqual(['Apparatus 1', 'Apparatus 2'])
    await saveLab(made.course.id, { ...made.course.lab, gas: 'hood' })
    expect((await viewRun(run)).lab.gas).toBe('hood')
    await saveLab(made.course.id, made.course.lab)
  })

  test('one that nobody has written follows the default of every school', () => {
    expect(labFrom(null)).toEqual(defaultLab)
    expect(labFrom(JSON.stringify({ simpleFromK: 40 }))).toEqual({ ...defaultLab, simpleFromK: 40 })
  })

  test('a bench writes temperatures, portions, tubes and slots', async () => {
    const run = made.sessions[1]!.runs[6]!.id
    const bench = { kind: 'bench', run, bench: 7, members: 'Test' } as const
    const log = new TestLog()
    const entries = [
      log.reading('reflux', 'temperature', -3, 0, {}, '°C'),
      log.reading('crystallise', 'portion', 20, 0, {}, 'mL'),
      log.add('dispose', 'tube', { tube: '1 sample', event: 'start' }),
      log.add('dispose', 'note', { slot: 'sample slot', text: 'A3' }),
      log.add('melt', 'melting', {
        onsetC: 113,
        clearC: 115,
        decimals: 0,
        instrument: { name: 'Apparatus 1', offsetC: -0.2, slope: 1 },
      }),
    ].map((entry, index) => ({ ...entry, id: `01K0000000000000000000000${index}` }))
    const written = await writeEntries(run, entries, bench, now)
    expect(written.map(({ kind }) => kind)).toEqual(['reading', 'reading', 'tube', 'note', 'melting'])
    expect((await viewRun(run)).entries.at(-1)!.body).toMatchObject({ instrument: { name: 'Apparatus 1' } })
    const strikes = entries.map((entry, index) => ({
      ...log.add(entry.step, 'strike', {}, { supersedes: entry.id, reason: 'a test' }),
      id: `01K0000000000000000000001${index}`,
    }))
    await writeEntries(run, strikes, bench, now)
  })
})

describe('sequences', () => {
  const second = {
    ...acetanilide,
    title: 'After acetanilide',
    lines: acetanilide.lines.map((line) => (line.id === 'aniline' ? { ...line, madeIn: 'Acetanilide' } : line)),
  }
  const group = made.sections[0]!.groups[0]!.id

  test('what a group weighed last time is what it goes on from', async () => {
    const [earlier, ...more] = await earlierProducts(made.course.id, second, group, now)
    expect(more).toEqual([])
    // Bench 1 of section A last week: 4.41 g, dry.
    expect(earlier).toMatchObject({ title: 'Acetanilide', massG: expect.closeTo(4.41, 6) as number, dry: true })
    expect(earlier!.fraction).toBeGreaterThan(0.5)
  })

  test('nothing before the first session, and nothing for a plan from the bottle', async () => {
    expect(await earlierProducts(made.course.id, second, group, new Date(0))).toEqual([])
    expect(await earlierProducts(made.course.id, acetanilide, group, now)).toEqual([])
  })

  test('a session can be set with each group at the scale of what it weighed', async () => {
    const { id } = await startPreparation(made.course.id, second, owner!.id, now)
    const { revision } = await openPreparation(id, { draftsToo: true })
    await publish(revision.id, 1, owner!.id, now)
    const choice = (await sessionChoices(made.course.id)).revisions.find(({ title }) => title === 'After acetanilide')!
    expect(choice.from).toMatchObject({ product: 'aniline', title: 'Acetanilide', needsG: expect.closeTo(4.088, 6) as number })
    expect(choice.from!.weighed[group]).toBeCloseTo(4.41, 6)
    await archivePreparation(id, true, now)
    expect((await sessionChoices(made.course.id)).revisions.map(({ title }) => title)).not.toContain('After acetanilide')
    expect((await openPreparation(id, { draftsToo: true })).archived).toBe(true)
    const copy = await copyPreparation(id, owner!.id, now)
    expect((await openPreparation(copy.id, { draftsToo: true })).revision).toMatchObject({
      number: 1,
      state: 'draft',
      plan: { title: 'After acetanilide, copy' },
    })
    await archivePreparation(copy.id, true, now)
  })
})

test('a revision that was written in version 1 of the file is brought forward when it is read', async () => {
  const { id } = await startPreparation(made.course.id, { ...acetanilide, title: 'Old' }, owner!.id, now)
  await Revision.update(
    { plan: writePlanFile(acetanilide).replace('"version": 2', '"version": 1') },
    { where: { preparation: id } },
  )
  const { revision } = await openPreparation(id, { draftsToo: true })
  expect(revision.plan).toEqual(acetanilide)
  expect((await planTextOf(revision.id, true)).text).toBe(writePlanFile(acetanilide))
  await archivePreparation(id, true, now)
})

describe('drafts and revisions', () => {
  let draft: { id: string; version: number }

  test('a change to a published plan starts draft 2; the published one stays as it was', async () => {
    const saved = await startDraft(preparation.id, preparation.revision, scalePlan(acetanilide, 2), owner!.id, now)
    expect(saved).toMatchObject({ number: 2, version: 1 })
    draft = saved
    const published = await openPreparation(preparation.id, { draftsToo: false })
    expect(published.revision.plan).toEqual(acetanilide)
    expect((await openPreparation(preparation.id, { draftsToo: true })).revision.number).toBe(2)
  })

  test('a second window that starts a draft is given the first one’s', async () => {
    const refused = await refusal(startDraft(preparation.id, preparation.revision, acetanilide, owner!.id))
    expect([refused.status, (refused.details.theirs as { number: number }).number]).toEqual([409, 2])
  })

  test('a save over a version that has moved on is refused and carries what stands there', async () => {
    const saved = await saveDraft(draft.id, 1, scalePlan(acetanilide, 3), owner!.id)
    expect(saved.version).toBe(2)
    const refused = await refusal(saveDraft(draft.id, 1, acetanilide, owner!.id))
    expect(refused.details.theirs).toMatchObject({ version: 2, plan: scalePlan(acetanilide, 3) })
  })

  test('a plan that is none is refused with the place', async () => {
    await expect(saveDraft(draft.id, 2, { ...acetanilide, reference: 'gone' }, owner!.id)).rejects.toThrow(/\/reference/)
  })

  test('publishing freezes it and supersedes the one before; publishing what one has not seen is refused', async () => {
    expect((await refusal(publish(draft.id, 1, owner!.id))).status).toBe(409)
    await publish(draft.id, 2, owner!.id, now)
    expect((await Revision.findByPk(preparation.revision))!.state).toBe('superseded')
    expect((await refusal(saveDraft(draft.id, 2, acetanilide, owner!.id))).details.frozen).toBe(true)
    expect((await refusal(publish(draft.id, 2, owner!.id))).message).toMatch(/published already/)
    expect((await listPreparations(made.course.id)).find(({ id }) => id === preparation.id)).toMatchObject({
      draft: null,
      published: { number: 2 },
    })
  })
})

describe('lab sessions', () => {
  const wanted = async () => {
    const choices = await sessionChoices(made.course.id)
    const section = choices.sections[0]!
    return {
      section: section.id,
      revision: choices.revisions.find(({ title }) => title === 'Benzoin')!.id,
      startsAt: '2026-12-01T13:30:00Z',
      endsAt: '2026-12-01T17:30:00Z',
      room: 'South lab',
      groups: section.groups.map(({ id }, index) => ({ group: id, scale: index === 2 ? 0.5 : 1 })),
    }
  }

  test('each group gets a run at its own scale and a code of its own', async () => {
    const { id } = await createSession(await wanted())
    const { runs, title } = await viewSession(id, true)
    expect(title).toBe('Benzoin')
    expect(runs.map(({ scale }) => scale)).toEqual([1, 1, 0.5, 1, 1, 1, 1, 1])
    expect(new Set(runs.map(({ code }) => code)).size).toBe(8)
    expect((await viewSession(id, false)).runs[0]!.code).toBeNull()
  })

  test.each([
    [{ endsAt: '2026-12-01T13:00:00Z' }, /ends before it begins/],
    [{ revision: preparation.revision }, /Only a published plan/],
    [{ revision: 'gone' }, /preparation of this course/],
    [{ groups: [{ group: made.sections[1]!.groups[0]!.id, scale: 1 }] }, /not in this section/],
  ])('%j is refused', async (part, message) => {
    expect((await refusal(createSession({ ...(await wanted()), ...part }))).message).toMatch(message)
  })
})

describe('runs', () => {
  const run = on!.runs[6]!
  const bench = { kind: 'bench' as const, run: run.id, bench: 7, members: run.members }
  const log = new TestLog()
  log.done('set-up')
  const readings = log.difference('charge-aniline', 27.512, 23.418)

  test('a bench writes under its own name, whatever the request says', async () => {
    const [entry] = await writeEntries(run.id, [{ ...log.entries[0], by: 'Somebody else' }], bench)
    expect(entry!.by).toBe('Bench 7: Grieve, Omondi')
  })

  test('a bench cannot sign, write to a step that is not there, or send nonsense', async () => {
    const signature = new TestLog().sign('charge-aniline', readings)
    expect((await refusal(writeEntries(run.id, [signature], bench))).status).toBe(403)
    expect((await refusal(writeEntries(run.id, [{ ...readings[0], step: 'gone' }], bench))).message).toMatch(/no step/)
    await expect(
      writeEntries(run.id, [{ ...readings[0], body: { slot: 'full', value: 'heavy', unit: 'g', decimals: 2 } }], bench),
    ).rejects.toThrow(/value/)
  })

  test('a demonstrator signs the complete readings of a step with name and password', async () => {
    const signer = { signIn: demonstrator!.signIn, password: demonstrator!.password }
    expect((await refusal(signStep(run.id, 'charge-aniline', signer, 'tablet'))).message).toMatch(/not complete/)
    await writeEntries(run.id, readings, bench)
    expect((await refusal(signStep(run.id, 'cool', signer, 'tablet'))).message).toMatch(/needs a signature/)
    const [signature] = await signStep(run.id, 'charge-aniline', signer, 'tablet')
    expect(signature).toMatchObject({ kind: 'signature', by: 'Noor Haddad', body: { covers: readings.map(({ id }) => id) } })
  })

  test('stores and readers cannot sign, nor anyone with a wrong password', async () => {
    const stores = made.people[2]!
    expect(
      (await refusal(signStep(run.id, 'charge-aniline', { signIn: stores.signIn, password: stores.password }, 'tablet'))).status,
    ).toBe(403)
    expect((await refusal(signStep(run.id, 'charge-aniline', { signIn: 'haddad', password: 'guess' }, 'tablet'))).status).toBe(
      401,
    )
  })

  test('the bench sees its own run', async () => {
    expect(await viewRun(run.id)).toMatchObject({ bench: 7, scale: 0.8, section: 'Section B' })
  })
})

describe('the live stream', () => {
  test('sends what others write, once, and goes on from a cursor', async () => {
    const run = next!.runs[4]!.id
    const stop = new AbortController()
    const reader = liveStream({ [run]: 0 }, stop.signal).body!.getReader()
    const text = async () => new TextDecoder().decode((await reader.read()).value)
    expect(await text()).toMatch(/^retry/)
    const entry = { ...new TestLog().done('safety'), id: '01JZZZZZZZZZZZZZZZZZZZZZZA' }
    const sentAt = Date.now()
    await appendEntries(run, [entry], new Date())
    const event = await text()
    expect(Date.now() - sentAt).toBeLessThan(2000)
    expect(event).toContain(`id: ${JSON.stringify({ [run]: 1 })}`)
    expect(JSON.parse(event.split('data: ')[1]!)[run]).toMatchObject([{ id: entry.id, seq: 1 }])
    stop.abort()
  })

  test('takes its cursor from the header of a browser that reconnects, before the address', () => {
    const request = (header?: string) =>
      new Request('http://here/live?seen={"a":1}', { headers: header ? { 'last-event-id': header } : {} })
    expect(cursorOf(request('{"a":5}'), ['a', 'b'])).toEqual({ a: 5, b: 0 })
    expect(cursorOf(request(), ['a', 'b'])).toEqual({ a: 1, b: 0 })
    expect(cursorOf(request('nonsense'), ['a'])).toEqual({ a: 0 })
  })
})

describe('today and results', () => {
  test('shows the session on now, the next one, and what waits', async () => {
    const { now: onNow, next: coming, last, waiting } = await today(made.course.id, now)
    expect(onNow.map(({ id }) => id)).toEqual([on!.id])
    expect(coming!.id).toBe(next!.id)
    expect(last!.id).toBe(made.sessions[0]!.id)
    const words = waiting.map((each) => each.words)
    expect(words).toContain('Bench 2 waits for a signature')
    expect(words.some((each) => /Bench 3: Above 100 %/.test(each))).toBe(true)
  })

  test('CSV of a session has a row a bench and a name that says what it is', async () => {
    const { name, text } = await csvOfSession(made.sessions[0]!.id)
    expect(name).toBe('acetanilide-section-a-2026-11-16.csv')
    expect(text.trimEnd().split('\r\n')).toHaveLength(9)
    expect(await Run.count({ where: { session: made.sessions[0]!.id } })).toBe(8)
  })
})

describe('preparations from nothing and from a file', () => {
  const person = made.people[0]!.id

  test('a new preparation begins with draft 1, and its file is what was written', async () => {
    const { id } = await startPreparation(made.course.id, { ...acetanilide, title: 'Another =one' }, person)
    const { revision, history } = await openPreparation(id, { draftsToo: true })
    expect(history.map(({ number, state }) => [number, state])).toEqual([[1, 'draft']])
    const { title, number, text } = await planTextOf(revision.id, true)
    expect([title, number, text]).toEqual(['Another =one', 1, writePlanFile({ ...acetanilide, title: 'Another =one' })])
    expect(fileName(title)).toBe('another-one')
    await expect(planTextOf(revision.id, false)).rejects.toThrow('no such revision')
    await expect(openPreparation(id, { draftsToo: false })).rejects.toThrow('no such revision')
  })

  test('a plan that is not sound starts nothing', async () => {
    const before = (await listPreparations(made.course.id)).length
    await expect(startPreparation(made.course.id, { ...acetanilide, reference: 'nobody' }, person)).rejects.toThrow('/reference')
    expect(await listPreparations(made.course.id)).toHaveLength(before)
  })
})
