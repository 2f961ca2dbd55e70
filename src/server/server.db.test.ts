import type { Sequelize } from 'sequelize'
import { acetanilide } from '@/test-support/plans'
import { TestLog } from '@/test-support/entries'
import { emptyDatabase } from '@/test-support/database'
import { setClock } from '@/data/clock'
import { database } from '@/data/connect'
import { purgeAttempts } from '@/data/attempts'
import { appendEntries, FloodError } from '@/data/entries'
import { Attempt, Course, EntryRow, Membership, Revision, Run, User } from '@/data/models'
import { placesOfRuns } from '@/data/people'
import { defaultLab } from '@/core/lab/lab'
import { scalePlan } from '@/core/edit/scalePlan'
import { college } from '@/demo/college'
import { seed } from '../../scripts/seed'
import { benchAt, benchHere, signedIn } from './actor'
import { limited } from './attempts'
import { addBottle, changeBottle, listBottles, removeBottle } from './bottles'
import { labFrom, saveLab } from './laboratory'
import { cursorOf, liveStream, recheck, watching, writeCursor } from './live'
import { signInMs } from './cookies'
import { hashPassword } from './password'
import { archivePreparation, copyPreparation, publish, saveDraft, startDraft, startPreparation } from './drafts'
import { fileName, openPreparation, planToWrite } from './preparations'
import { listPreparations, plansLeadingTo } from './preparationLists'
import { Refusal } from './refusal'
import type { Actor } from './rights'
import { earlierProducts } from './sequences'
import { csvOfSession } from './exports'
import { viewRun, writeEntries } from './runs'
import { signSteps, writeFinding } from './staffEntries'
import { newBenchCode } from './codes'
import { sessionChoices, viewSession } from './sessions'
import { createSession } from './setSessions'
import { checkPassword, enterBench, signIn, signOut } from './signIn'
import { today } from './today'

/** The cookies of one browser, by kind. */
let jar: Record<string, Record<string, unknown>> = {}
jest.mock('./cookies', () => ({
  signInMs: 12 * 3_600_000,
  readCookie: async (kind: string) => jar[kind] ?? {},
  sealedCookie: async (kind: string) => {
    const cookie = (jar[kind] ??= {})
    const hidden = (value: () => unknown) => ({ value, enumerable: false, configurable: true })
    return Object.defineProperties(cookie, { save: hidden(async () => {}), destroy: hidden(() => delete jar[kind]) })
  },
}))

const now = new Date('2026-11-23T15:00:00Z')
const made = college(now, 'UTC')
const [owner, demonstrator] = made.people
const [, on, next] = made.sessions
const preparation = made.preparations[0]!
let tables: Sequelize

beforeAll(async () => {
  tables = await emptyDatabase()
  await seed(process.env.MOZLE_OWNER_URL!, now, 'UTC')
  database()
})
afterEach(() => setClock())
afterAll(async () => {
  await tables.close()
  await database().close()
})

const ownerHere: Actor = { kind: 'user', id: owner!.id, name: owner!.name, roles: { [made.course.id]: 'owner' } }
const readerHere: Actor = { kind: 'user', id: 'r', name: 'Reader', roles: { [made.course.id]: 'reader' } }
const actorOf = async (run: string) => {
  const [place] = await placesOfRuns({ ids: [run] })
  return benchAt(place!, place!.code!, now)!
}
/** Somebody whose right to watch is not asked for again within a test. */
const watcher = { actor: ownerHere, course: made.course.id }

const until = async (met: () => boolean) => {
  for (let waited = 0; !met() && waited < 5000; waited += 20) await new Promise((resolve) => setTimeout(resolve, 20))
  expect(met()).toBe(true)
}

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
  beforeEach(() => {
    jar = {}
  })
  test('the right password opens, the name in any case', async () => {
    expect((await checkPassword(' Varga ', owner!.password, 'a')).id).toBe(owner!.id)
  })

  test('a wrong password and an unknown name are refused in the same words', async () => {
    const [wrong, unknown] = [
      await refusal(checkPassword('varga', 'guess', 'b')),
      await refusal(checkPassword('nobody', 'guess', 'b')),
    ]
    expect([wrong.status, wrong.message]).toEqual([401, unknown.message])
  })

  test('after five slips the wait grows, for that account from that address alone; the right password does not pass while it waits', async () => {
    await Attempt.destroy({ where: {} })
    const slip = (from: string) => refusal(checkPassword('bello', 'guess', from))
    const statuses = []
    for (let attempt = 0; attempt < 7; attempt++) statuses.push((await slip('attacker')).status)
    expect(statuses).toEqual([401, 401, 401, 401, 401, 401, 429])
    expect((await refusal(checkPassword('bello', made.people[3]!.password, 'attacker'))).message).toMatch(/Wait \d+ s/)
    expect((await checkPassword('bello', made.people[3]!.password, 'elsewhere')).name).toBe('Amara Bello')
  })

  test('a device on which one has signed in before gets in, however much is guessed from everywhere', async () => {
    await Attempt.destroy({ where: {} })
    jar = {}
    await signIn('bello', made.people[3]!.password, 'home')
    const own = jar
    jar = {}
    for (let attempt = 0; attempt < 60; attempt++) await refusal(checkPassword('bello', 'guess', `bot ${attempt}`))
    expect((await refusal(checkPassword('bello', made.people[3]!.password, 'somewhere'))).status).toBe(429)
    jar = own
    expect((await checkPassword('bello', made.people[3]!.password, 'home')).name).toBe('Amara Bello')
    // A colleague at the same tablet is no stranger there either; who guesses there makes that tablet wait, and no other.
    for (let attempt = 0; attempt < 7; attempt++) await refusal(checkPassword('varga', 'guess', 'home'))
    expect((await refusal(checkPassword('varga', owner!.password, 'home'))).status).toBe(429)
    jar = { device: { device: 'another tablet' } }
    expect((await checkPassword('varga', owner!.password, 'home')).id).toBe(owner!.id)
  })

  test('an unknown name makes one wait as a known one does', async () => {
    const at = Date.now()
    setClock(() => at)
    const waits = async (name: string) => {
      await Attempt.destroy({ where: {} })
      const said: unknown[] = []
      for (let attempt = 0; attempt < 9; attempt++) {
        const { status, details } = await refusal(checkPassword(name, 'guess', 'school'))
        said.push([status, details.waitS])
      }
      return said
    }
    expect(await waits('nobody')).toEqual(await waits('varga'))
  })

  test('the wait doubles up to its limit; a success takes only itself out of the count; what is old is forgotten and purged', async () => {
    await Attempt.destroy({ where: {} })
    const patience = { free: 1, longestS: 4 }
    const start = Date.now()
    const at = (seconds: number) => new Date(start + seconds * 1000)
    const fail = (seconds: number) => limited('k', patience, async () => null, at(seconds))
    await fail(0)
    await fail(0)
    await expect(fail(0.5)).rejects.toThrow(/Wait 1 s/)
    expect(await limited('k', patience, async () => 'in', at(1.1))).toBe('in')
    // The success before does not clear the slate: the third failure waits two seconds, the next four, and no longer.
    await fail(1.2)
    await expect(fail(2.5)).rejects.toThrow(/Wait 1 s/)
    await fail(4)
    await expect(fail(7)).rejects.toThrow(/Wait 1 s/)
    await fail(9)
    await expect(fail(12)).rejects.toThrow(/Wait 1 s/)
    await fail(14 + 16 * 60)
    expect((await Attempt.findByPk('k'))!.failures).toBe(1)
    await purgeAttempts(at(60 * 60))
    expect(await Attempt.count()).toBe(0)
  })

  test('twenty guesses at once are counted one by one', async () => {
    await Attempt.destroy({ where: {} })
    const tried: string[] = []
    const guess = async () =>
      limited('burst', { free: 3, longestS: 60 }, async () => {
        tried.push('x')
        return null
      }).catch(() => null)
    await Promise.all(Array.from({ length: 20 }, guess))
    expect(tried).toHaveLength(4)
  })

  test('what was opened ends with signing out, with another password and with a sign-in that is too old', async () => {
    jar = {}
    await signIn('bello', made.people[3]!.password, 'home', now)
    expect((await signedIn(now))!.name).toBe('Amara Bello')
    expect(await signedIn(new Date(now.getTime() + 13 * 3_600_000))).toBeNull()
    const copied = structuredClone(jar.user)!
    await signOut()
    jar = { user: copied }
    expect(await signedIn(now)).toBeNull()
    await signIn('bello', made.people[3]!.password, 'home', now)
    const { passwordHash } = (await User.findOne({ where: { signIn: 'bello' } }))!
    await User.update({ passwordHash: await hashPassword('another') }, { where: { signIn: 'bello' } })
    expect(await signedIn(now)).toBeNull()
    await User.update({ passwordHash }, { where: { signIn: 'bello' } })
    expect((await signedIn(now))!.roles).toEqual({ [made.course.id]: 'reader' })
    jar = {}
  })

  test('a bench code opens its run while its session is on; afterwards only the code for reading does, and a new code ends the old', async () => {
    const run = on!.runs[3]!
    const minutes = (count: number) => new Date(on!.endsAt.getTime() + count * 60_000)
    jar = {}
    await enterBench(run.code.toLowerCase(), 'tablet', now)
    expect(jar.bench).toEqual({ bench: { run: run.id, code: run.code } })
    const bench = (at: Date) => benchHere(at)
    // The made-up course gives half an hour of grace.
    expect(await bench(now)).toMatchObject({ run: run.id, state: 'open' })
    expect(await bench(minutes(29))).toMatchObject({ state: 'open' })
    expect(await bench(minutes(31))).toMatchObject({ state: 'late' })
    expect((await refusal(enterBench(run.code, 'tablet', minutes(31)))).message).toMatch(/session is over/)
    await enterBench(run.readCode.toLowerCase(), 'tablet', minutes(60 * 24 * 30))
    expect(await bench(minutes(60 * 24 * 30))).toMatchObject({ run: run.id, state: 'reading' })
    await enterBench(run.code, 'tablet', now)
    const { code } = await newBenchCode(run.id)
    expect(code).not.toBe(run.code)
    expect(await bench(now)).toBeNull()
    await Run.update({ code: run.code }, { where: { id: run.id } })
    expect((await refusal(enterBench(next!.runs[0]!.code, 'tablet', now))).message).toMatch(
      /code is for 2026-11-30; today is 2026-11-23/,
    )
    expect((await refusal(enterBench('ZZZZZZ', 'tablet', now))).message).toMatch(/No bench has this code/)
    jar = {}
  })

  test('guessing codes makes one wait, and one’s own valid code does not clear the count; who hands codes out never waits', async () => {
    await Attempt.destroy({ where: {} })
    jar = {}
    const run = on!.runs[3]!
    for (let attempt = 0; attempt < 10; attempt++) await refusal(enterBench('ZZZZZZ', 'classroom', now))
    await enterBench(run.code, 'classroom', now)
    // This tablet was let in: what a student guesses on another one behind the same address does not keep it out.
    const tablet = jar
    jar = {}
    await refusal(enterBench('ZZZZZZ', 'classroom', now))
    expect((await refusal(enterBench(run.code, 'classroom', now))).status).toBe(429)
    jar = tablet
    await enterBench(run.code, 'classroom', now)
    // Its own guesses make it wait, and nobody gets more of them by being let in anew.
    await Attempt.destroy({ where: {} })
    for (let attempt = 0; attempt < 11; attempt++) await refusal(enterBench('ZZZZZZ', 'classroom', now))
    expect((await refusal(enterBench(run.code, 'classroom', now))).status).toBe(429)
    jar = {}
    expect((await refusal(enterBench(run.code, 'classroom', now))).status).toBe(429)
    jar = {}
    await signIn('varga', owner!.password, 'office', now)
    await enterBench(run.code, 'classroom', now)
    expect(jar.bench).toEqual({ bench: { run: run.id, code: run.code } })
    jar = {}
  })
})

describe('bottles on the shelf', () => {
  const bottle = {
    substance: 'toluene',
    formula: 'C7H8',
    form: { kind: 'neat' as const, purity: 1 },
    left: { value: 500, unit: 'mL' as const, decimals: 2 },
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
    await changeBottle(id, { left: { value: 350, unit: 'mL', decimals: 1 }, place: 'shelf 3' }, demonstrator!.id, now)
    expect((await listBottles(made.course.id)).find((each) => each.id === id)).toMatchObject({
      ...bottle,
      // The decimals that were typed stay with the figure.
      left: { value: 350, decimals: 1 },
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
    const changed = { ...made.course.lab, gas: 'hood' as const }
    await saveLab(made.course.id, { value: changed, over: [made.course.lab] })
    expect((await viewRun(run)).lab.gas).toBe('hood')
    await saveLab(made.course.id, { value: made.course.lab, over: [changed] })
  })

  test('of two who change it at once one is told, with what stands now', async () => {
    const over = [made.course.lab]
    const values = [30, 40, 50].map((simpleFromK) => ({ ...made.course.lab, simpleFromK }))
    const done = await Promise.allSettled(values.map((value) => saveLab(made.course.id, { value, over })))
    const first = done.findIndex(({ status }) => status === 'fulfilled')
    const refusals = done.flatMap((each) => (each.status === 'rejected' ? [each.reason as Refusal] : []))
    expect(refusals.map(({ status, details }) => [status, details.now])).toEqual([
      [409, values[first]],
      [409, values[first]],
    ])
    expect(labFrom((await Course.findByPk(made.course.id))!.lab)).toEqual(values[first])
    // What stands already is no conflict, whatever its page knew; and one of several that may stand is enough.
    await saveLab(made.course.id, { value: values[first]!, over })
    await saveLab(made.course.id, { value: made.course.lab, over: [made.course.lab, ...values] })
  })

  test('one that nobody has written follows the default of every school', () => {
    expect(labFrom(null)).toEqual(defaultLab)
    expect(labFrom(JSON.stringify({ simpleFromK: 40 }))).toEqual({ ...defaultLab, simpleFromK: 40 })
  })

  test('a bench writes temperatures, portions and melting ranges', async () => {
    const run = made.sessions[1]!.runs[6]!.id
    const bench = await actorOf(run)
    const log = new TestLog()
    const entries = [
      log.reading('reflux', 'temperature', -3, 0, {}, '°C'),
      log.reading('crystallise', 'portion', 20, 0, {}, 'mL'),
      log.add('melt', 'melting', {
        onsetC: 113,
        clearC: 115,
        decimals: 0,
        instrument: { name: 'Apparatus 1', offsetC: -0.2, slope: 1 },
      }),
    ].map((entry, index) => ({ ...entry, id: `01K0000000000000000000000${index}` }))
    const written = await writeEntries(run, entries, bench, { now })
    expect(written.refused).toEqual([])
    expect(written.entries.map(({ kind }) => kind)).toEqual(['reading', 'reading', 'melting'])
    expect((await viewRun(run)).entries.at(-1)!.body).toMatchObject({ instrument: { name: 'Apparatus 1' } })
    const strikes = entries.map((entry, index) => ({
      ...log.add(entry.step, 'strike', {}, { supersedes: entry.id, reason: 'a test' }),
      id: `01K0000000000000000000001${index}`,
    }))
    expect((await writeEntries(run, strikes, bench, { now })).refused).toEqual([])
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
    const [earlier, ...more] = (await earlierProducts(made.course.id, second, [group], now))[group]!
    expect(more).toEqual([])
    // Bench 1 of section A last week: 4.41 g, dry.
    expect(earlier).toMatchObject({ title: 'Acetanilide', massG: expect.closeTo(4.41, 6) as number, dry: true })
    expect(earlier!.fraction).toBeGreaterThan(0.5)
  })

  test('nothing before the first session, and nothing for a plan from the bottle', async () => {
    expect(await earlierProducts(made.course.id, second, [group], new Date(0))).toEqual({ [group]: [] })
    expect(await earlierProducts(made.course.id, acetanilide, [group], now)).toEqual({ [group]: [] })
  })

  test('a preparation may be given another title: what goes on from it still finds it, and its results', async () => {
    const course = made.course.id
    const { id } = await startPreparation(course, { ...acetanilide, title: 'First of two' }, owner!.id, now)
    const opened = async () => (await openPreparation(id, ownerHere)).revision
    await publish((await opened()).id, (await opened()).version, owner!.id, now)
    await startDraft(id, (await opened()).id, { ...acetanilide, title: 'Renamed' }, owner!.id, now)
    const titles = async (title: string, reader: typeof ownerHere | null, own?: string) =>
      (await plansLeadingTo(course, title, reader, own)).map((plan) => plan.title)
    expect(await titles('First of two', ownerHere)).toEqual(['Renamed'])
    expect(await titles('Renamed', ownerHere)).toEqual(['Renamed'])
    // Whoever does not write knows nothing of the draft.
    expect(await titles('First of two', null)).toEqual(['First of two'])
    expect(await titles('Renamed', null)).toEqual([])
    const renamed = await opened()
    await publish(renamed.id, renamed.version, owner!.id, now)
    expect(await titles('First of two', null)).toEqual(['Renamed'])
    expect(await titles('Never', ownerHere)).toEqual([])
    expect(await titles('First of two', ownerHere, id)).toEqual([])
    await archivePreparation(id, true, now)
    expect(await titles('First of two', ownerHere)).toEqual([])
  })

  test('a session can be set with each group at the scale of what it weighed', async () => {
    setClock(() => now.getTime())
    const { id } = await startPreparation(made.course.id, second, owner!.id, now)
    const { revision } = await openPreparation(id, ownerHere)
    await publish(revision.id, 1, owner!.id, now)
    const choice = (await sessionChoices(made.course.id)).revisions.find(({ title }) => title === 'After acetanilide')!
    expect(choice.from).toMatchObject({ product: 'aniline', title: 'Acetanilide', needsG: expect.closeTo(4.088, 6) as number })
    expect(choice.from!.weighed[group]).toBeCloseTo(4.41, 6)
    await archivePreparation(id, true, now)
    expect((await sessionChoices(made.course.id)).revisions.map(({ title }) => title)).not.toContain('After acetanilide')
    expect((await openPreparation(id, ownerHere)).archived).toBe(true)
    const copy = await copyPreparation(id, owner!.id, now)
    expect((await openPreparation(copy.id, ownerHere)).revision).toMatchObject({
      number: 1,
      state: 'draft',
      plan: { title: 'After acetanilide, copy' },
    })
    await archivePreparation(copy.id, true, now)
  })
})

describe('drafts and revisions', () => {
  let draft: { id: string; version: number }

  test('a change to a published plan starts draft 2; the published one stays as it was', async () => {
    const saved = await startDraft(preparation.id, preparation.revision, scalePlan(acetanilide, 2), owner!.id, now)
    expect(saved).toMatchObject({ number: 2, version: 1 })
    draft = saved
    const published = await openPreparation(preparation.id, readerHere)
    expect(published.revision.plan).toEqual(acetanilide)
    expect((await openPreparation(preparation.id, ownerHere)).revision.number).toBe(2)
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
    expect((await listPreparations(made.course.id, ownerHere)).find(({ id }) => id === preparation.id)).toMatchObject({
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
      days: [{ startsAt: '2026-12-01T13:30:00Z', endsAt: '2026-12-01T17:30:00Z', room: 'South lab' }],
      groups: section.groups.map(({ id }, index) => ({ group: id, scale: index === 2 ? 0.5 : 1 })),
    }
  }

  test('each group gets a run at its own scale and a code of its own', async () => {
    const { id } = await createSession(await wanted(), now)
    const { runs, title } = await viewSession(id, true)
    expect(title).toBe('Benzoin')
    expect(runs.map(({ scale }) => scale)).toEqual([1, 1, 0.5, 1, 1, 1, 1, 1])
    expect(new Set(runs.map(({ code }) => code)).size).toBe(8)
    expect((await viewSession(id, false)).runs[0]!.code).toBeNull()
  })

  test.each([
    [
      { days: [{ startsAt: '2026-12-01T13:30:00Z', endsAt: '2026-12-01T13:00:00Z', room: 'South lab' }] },
      /ends before it begins/,
    ],
    [{ revision: preparation.revision }, /Only a published plan/],
    [{ revision: 'gone' }, /preparation of this course/],
    [
      {
        groups: [{ group: made.sections[1]!.groups[0]!.id, scale: 1 }],
        days: [{ startsAt: '2026-12-02T13:30:00Z', endsAt: '2026-12-02T17:30:00Z', room: 'South lab' }],
      },
      /not in this section/,
    ],
    [{}, /Section A has Benzoin then, 13:30–17:30/],
  ])('%j is refused', async (part, message) => {
    expect((await refusal(createSession({ ...(await wanted()), ...part }, now))).message).toMatch(message)
  })
})

describe('runs', () => {
  const run = on!.runs[6]!
  const log = new TestLog()
  log.done('set-up')
  const readings = log.difference('charge-aniline', 27.512, 23.418)

  test('a bench writes under its own name, whatever the request says', async () => {
    const { entries } = await writeEntries(run.id, [{ ...log.entries[0], by: 'Somebody else' }], await actorOf(run.id), { now })
    expect(entries[0]!.by).toBe('Bench 7')
  })

  test('what a bench cannot write is set aside with its reason, and the rest of the batch is taken', async () => {
    const bench = await actorOf(run.id)
    const other = new TestLog()
    const at = (entry: object, index: number) => ({ ...entry, id: `01K200000000000000000000${index}` })
    const refusals: [object, RegExp][] = [
      [other.sign('charge-aniline', readings), /cannot sign/],
      [{ ...readings[0], step: 'gone' }, /no step/],
      [{ ...readings[0], body: { slot: 'full', value: 'heavy', unit: 'g', decimals: 2 } }, /value/],
      [{ ...readings[0], body: { slot: 'full', value: 27, unit: 'mL', decimals: 2 } }, /is in g/],
      [{ ...readings[0], step: 'safety' }, /takes no reading/],
      [other.add('safety', 'melting', { onsetC: 113, clearC: 115, decimals: 0 }), /takes no melting range/],
      [
        other.add('set-up', 'strike', {}, { supersedes: '01K29999999999999999999999', reason: 'why' }),
        /does not stand in this step/,
      ],
      // The reading stands, but in another step.
      [other.add('cool', 'strike', {}, { supersedes: log.entries[0]!.id, reason: 'why' }), /does not stand in this step/],
      [{ ...readings[0], at: '2026-99-99T10:00:00Z' }, /years 2000 to 2099/],
      [{ ...readings[0], at: '2026-11-23T23:59:00Z' }, /after the session had closed/],
    ]
    const good = at(other.done('safety'), 99)
    const batch = [...refusals.map(([entry], index) => at(entry, index + 10)), good]
    const { entries, refused } = await writeEntries(run.id, batch, bench, { now })
    expect(entries.map(({ id }) => id)).toEqual([good.id])
    const whys = new Map(refused.map(({ id, why }) => [id, why]))
    refusals.forEach(([, words], index) =>
      expect([index, whys.get(`01K200000000000000000000${index + 10}`)]).toEqual([index, expect.stringMatching(words)]),
    )
  })

  test('how far a tablet’s clock is off is noted, and what it claims of it is not believed', async () => {
    const entry = { ...new TestLog().done('safety'), id: '01K30000000000000000000000', clockMs: 5 }
    const sentAt = new Date(now.getTime() + 3_600_000).toISOString()
    const { entries } = await writeEntries(run.id, [entry], await actorOf(run.id), { now, sentAt })
    expect(entries[0]!.clockMs).toBe(3_600_000)
    expect((await viewRun(run.id)).entries.at(-1)!.clockMs).toBe(3_600_000)
  })

  test('one bench cannot flood the book, and an afternoon without network still gets through', async () => {
    const flooded = on!.runs[5]!.id
    const bench = await actorOf(flooded)
    const many = (series: string, count: number, everyMs: number) =>
      Array.from({ length: count }, (_, index) => ({
        ...new TestLog().done('safety'),
        id: `01K4${series}${String(index).padStart(21, '0')}`,
        at: new Date(now.getTime() - 4 * 3_600_000 + index * everyMs).toISOString(),
      }))
    await expect(writeEntries(flooded, many('A', 300, 10), bench, { now })).rejects.toThrow(/More than 240 entries a minute/)
    // The server's clock decides, whatever times are claimed.
    const later = (minutes: number) => new Date(now.getTime() + minutes * 60_000)
    expect((await writeEntries(flooded, many('B', 240, 30_000), bench, { now })).entries).toHaveLength(240)
    await expect(writeEntries(flooded, many('C', 1, 1), bench, { now })).rejects.toThrow(FloodError)
    expect((await writeEntries(flooded, many('C', 160, 30_000), bench, { now: later(1) })).entries).toHaveLength(160)
    const picture = `data:image/jpeg;base64,${'A'.repeat(60_000)}`
    const pictures = (series: string, count: number) =>
      many(series, count, 60_000).map((entry) => ({ ...entry, kind: 'observation', body: { text: '', picture } }))
    await expect(writeEntries(flooded, pictures('D', 101), bench, { now: later(2) })).rejects.toThrow(
      /pictures of one bench may take 6 MB/,
    )
    expect((await writeEntries(flooded, pictures('D', 99), bench, { now: later(2) })).entries).toHaveLength(99)
    await expect(writeEntries(flooded, pictures('E', 2), bench, { now: later(3) })).rejects.toThrow(/pictures of one bench/)
    // Nobody who looks at the class is sent them.
    const { runs: all } = await viewSession(on!.id, false)
    expect(JSON.stringify(all.map(({ entries }) => entries)).length).toBeLessThan(300_000)
    expect(JSON.stringify((await viewRun(flooded)).entries).length).toBeLessThan(300_000)
    await Run.update({ pictureBytes: 99_970_000 }, { where: { id: on!.runs[6]!.id } })
    const other = await actorOf(on!.runs[4]!.id)
    await expect(writeEntries(on!.runs[4]!.id, pictures('F', 1), other, { now })).rejects.toThrow(
      /pictures of one session may take 100 MB/,
    )
    await Run.update({ pictureBytes: 0 }, { where: { id: on!.runs[6]!.id } })
  })

  test('a demonstrator signs the complete readings of a step with name and password', async () => {
    const signer = { signIn: demonstrator!.signIn, password: demonstrator!.password, from: 'tablet' }
    expect((await refusal(signSteps(run.id, ['charge-aniline'], signer, 'tablet', 'here'))).message).toMatch(/not complete/)
    await writeEntries(run.id, readings, await actorOf(run.id), { now })
    expect((await refusal(signSteps(run.id, ['cool'], signer, 'tablet', 'here'))).message).toMatch(/needs a signature/)
    const [signature] = await signSteps(run.id, ['charge-aniline'], signer, 'tablet', 'here')
    expect(signature).toMatchObject({ kind: 'signature', by: 'Noor Haddad', body: { covers: readings.map(({ id }) => id) } })
  })

  test('stores and readers cannot sign, nor anyone with a wrong password', async () => {
    const stores = made.people[2]!
    expect(
      (
        await refusal(
          signSteps(
            run.id,
            ['charge-aniline'],
            { signIn: stores.signIn, password: stores.password, from: 'tablet' },
            'tablet',
            'here',
          ),
        )
      ).status,
    ).toBe(403)
    expect(
      (
        await refusal(
          signSteps(run.id, ['charge-aniline'], { signIn: 'haddad', password: 'guess', from: 'tablet' }, 'tablet', 'here'),
        )
      ).status,
    ).toBe(401)
  })

  test('the bench sees its own run', async () => {
    expect(await viewRun(run.id)).toMatchObject({ bench: 7, scale: 0.8, section: 'Section B' })
  })
})

describe('the live stream', () => {
  test('sends what others write, once, and goes on from a cursor', async () => {
    const run = next!.runs[4]!.id
    const stop = new AbortController()
    const reader = liveStream({ [run]: 0 }, watcher, stop.signal).body!.getReader()
    const text = async () => new TextDecoder().decode((await reader.read()).value)
    expect(await text()).toMatch(/^retry/)
    const entry = { ...new TestLog().done('safety'), id: '01JZZZZZZZZZZZZZZZZZZZZZZA' }
    const sentAt = Date.now()
    await appendEntries(run, [entry], new Date())
    const event = await text()
    expect(Date.now() - sentAt).toBeLessThan(2000)
    expect(event).toContain(`id: ${writeCursor({ [run]: 1 })}\n`)
    expect(JSON.parse(event.split('data: ')[1]!)[run]).toMatchObject([{ id: entry.id, seq: 1 }])
    stop.abort()
  })

  test('once the head is sent, events go straight to the front’s own answer, in order and without a copy in the stream', async () => {
    const run = next!.runs[3]!.id
    const stop = new AbortController()
    const written: string[] = []
    const answer = {
      headersSent: false,
      writableLength: 0,
      write: (bytes: Uint8Array) => written.push(new TextDecoder().decode(bytes)) > 0,
    }
    const reader = liveStream({ [run]: 0 }, watcher, stop.signal, answer).body!.getReader()
    const text = async () => new TextDecoder().decode((await reader.read()).value)
    expect(await text()).toMatch(/^retry/)
    const [first, second, third] = ['1', '2', '3'].map((end) => ({
      ...new TestLog().done('safety'),
      id: `01JZZZZZZZZZZZZZZZZZZZZZY${end}`,
    }))
    await appendEntries(run, [first!], new Date())
    expect(await text()).toContain(first!.id)
    expect(written).toEqual([])
    answer.headersSent = true
    await appendEntries(run, [second!], new Date())
    await until(() => written.length > 0)
    expect(written.join('')).toContain(`id: ${writeCursor({ [run]: 2 })}\ndata: `)
    // A client that takes nothing is let go.
    answer.writableLength = 2_000_000
    await appendEntries(run, [third!], new Date())
    expect((await reader.read()).done).toBe(true)
    expect(written).toHaveLength(1)
    stop.abort()
  })

  test('a client that leaves is gone at once, whichever way it is told, and others go on', async () => {
    const run = next!.runs[5]!.id
    const [stay, leaves, aborts] = [new AbortController(), new AbortController(), new AbortController()]
    const before = watching()
    const kept = liveStream({ [run]: 0 }, watcher, stay.signal).body!.getReader()
    const cancelled = liveStream({ [run]: 0 }, watcher, leaves.signal).body!
    liveStream({ [run]: 0 }, watcher, aborts.signal)
    expect(watching()).toBe(before + 3)
    await cancelled.cancel()
    aborts.abort()
    expect(watching()).toBe(before + 1)
    await kept.read()
    await appendEntries(run, [{ ...new TestLog().done('safety'), id: '01JZZZZZZZZZZZZZZZZZZZZZZB' }], new Date())
    expect(new TextDecoder().decode((await kept.read()).value)).toContain('01JZZZZZZZZZZZZZZZZZZZZZZB')
    stay.abort()
    expect(watching()).toBe(before)
  })

  test('one read of a run serves all who watch it, also those who had seen less', async () => {
    const run = next!.runs[6]!.id
    for (const id of ['C', 'D'])
      await appendEntries(run, [{ ...new TestLog().done('safety'), id: `01JZZZZZZZZZZZZZZZZZZZZZZ${id}` }], new Date())
    const find = jest.spyOn(EntryRow, 'findAll')
    const stop = new AbortController()
    const streams = [0, 1, 0, 0, 1].map((seen) => liveStream({ [run]: seen }, watcher, stop.signal).body!.getReader())
    const texts = await Promise.all(
      streams.map(async (reader) => {
        await reader.read()
        return new TextDecoder().decode((await reader.read()).value)
      }),
    )
    expect(texts.map((text) => (JSON.parse(text.split('data: ')[1]!)[run] as unknown[]).length)).toEqual([2, 1, 2, 2, 1])
    expect(find).toHaveBeenCalledTimes(1)
    find.mockRestore()
    stop.abort()
  })

  test('it ends for who signs out, for a role that is withdrawn and for a bench whose code is renewed', async () => {
    const run = next!.runs[7]!.id
    // Half a day before the session: the sign-in is too old once it begins, and the bench opens.
    let at = next!.startsAt.getTime() - signInMs - 60_000
    setClock(() => at)
    jar = {}
    await signIn('haddad', demonstrator!.password, 'room')
    const person = (await signedIn())!
    const place = (await placesOfRuns({ ids: [run] }))[0]!
    const bench = benchAt(place, place.code!, next!.startsAt)!
    const stop = new AbortController()
    const open = (actor: Actor) => liveStream({ [run]: 0 }, { actor, course: made.course.id }, stop.signal).body!.getReader()
    const ended = async (reader: ReturnType<typeof open>) => {
      for (;;) if ((await reader.read()).done) return true
    }
    const still = watching()
    const streams = [open(person), open(bench)]
    at = next!.startsAt.getTime() + 60_000
    await recheck()
    expect(watching()).toBe(still + 1)
    await signIn('haddad', demonstrator!.password, 'room')
    const back = (await signedIn())!
    await newBenchCode(run)
    expect(await ended(streams[1]!)).toBe(true)
    const again = open(back)
    await Membership.destroy({ where: { user: back.id } })
    await recheck()
    expect(await ended(again)).toBe(true)
    await Membership.create({ user: back.id, course: made.course.id, role: 'demonstrator' })
    const last = open(back)
    await signOut()
    expect(await ended(last)).toBe(true)
    expect(watching()).toBe(still)
    jar = {}
  })

  test('takes its cursor from the header of a browser that reconnects, before the address', () => {
    const request = (header?: string) =>
      new Request('http://here/live?seen={"a":1}', { headers: header ? { 'last-event-id': header } : {} })
    const seen = { b: 7, a: 5 }
    expect(cursorOf(request(writeCursor(seen)), ['b', 'a'])).toEqual(seen)
    // A run has come: the numbers are those of other runs, so the address counts.
    expect(cursorOf(request(writeCursor(seen)), ['a', 'b', 'c'])).toEqual({ a: 1, b: 0, c: 0 })
    expect(cursorOf(request(writeCursor(seen).replace('.7', '.x')), ['a', 'b'])).toEqual({ a: 5, b: 0 })
    expect(cursorOf(request(writeCursor(seen).replace('.7', '')), ['a', 'b'])).toEqual({ a: 1, b: 0 })
    expect(cursorOf(request(), ['a', 'b'])).toEqual({ a: 1, b: 0 })
    expect(cursorOf(request('nonsense'), ['a'])).toEqual({ a: 1 })
    expect(cursorOf(new Request('http://here/live?seen=[nonsense'), ['a'])).toEqual({ a: 0 })
  })
})

describe('today and results', () => {
  test('shows the session on now, the next one, and what waits', async () => {
    const { now: onNow, next: coming, last, waiting } = await today(made.course.id, ownerHere, now)
    expect(onNow.map(({ id }) => id)).toEqual([on!.id])
    expect(coming!.id).toBe(next!.id)
    expect(last!.id).toBe(made.sessions[0]!.id)
    const words = waiting.map((each) => each.words)
    expect(words).toContain('Bench 2 waits for a signature')
    expect(words.some((each) => /Bench 3: Above 100 %/.test(each))).toBe(true)
    expect(words).toContain('Benzoin, Section A: not enough of thiamine hydrochloride')
    expect(words.some((each) => /^Benzoin, Section A: 0 of \d+ set out$/.test(each))).toBe(true)
    const demonstrator = { ...ownerHere, roles: { [made.course.id]: 'demonstrator' as const } }
    const seen = (await today(made.course.id, demonstrator, now)).waiting.map((each) => each.words)
    expect(seen.some((each) => each.includes('set out'))).toBe(false)
  })

  test('what staff found later stands among the results; what the step does not take, or cannot be, is refused', async () => {
    const session = made.sessions[0]!
    const person = { kind: 'user' as const, id: made.people[1]!.id, name: made.people[1]!.name, roles: {} }
    const run = session.runs[0]!.id
    const write = (step: string, body: object) => writeFinding(run, { step, kind: 'purity', body }, person)
    expect((await refusal(write('melt', { percent: 98, decimals: 0, by: 'x' }))).message).toMatch(/takes no purity/)
    expect((await refusal(write('gone', { percent: 98, decimals: 0, by: 'x' }))).message).toMatch(/no step “gone”/)
    expect((await refusal(write('melt', { percent: 101, decimals: 0, by: 'x' }))).message).toMatch(/purer than 100/)
  })

  test('CSV of a session has a row for each result and a name that says what it is', async () => {
    const { name, text } = await csvOfSession(made.sessions[0]!.id, 'results')
    expect(name).toBe('Acetanilide Section A 2026-11-16')
    // Crude yield, yield, recovery of the crystallisation and melting range for each of eight benches.
    expect(text.trimEnd().split('\r\n')).toHaveLength(33)
    expect(await Run.count({ where: { session: made.sessions[0]!.id } })).toBe(8)
  })
})

describe('preparations from nothing and from a file', () => {
  const person = made.people[0]!.id

  test('a new preparation begins with draft 1, and its file is what was written', async () => {
    const { id } = await startPreparation(made.course.id, { ...acetanilide, title: 'Another =one' }, person)
    const { revision, history } = await openPreparation(id, ownerHere)
    expect(history.map(({ number, state }) => [number, state])).toEqual([[1, 'draft']])
    const { title, number, plan } = await planToWrite(revision.id, ownerHere)
    expect([title, number, plan]).toEqual(['Another =one', 1, { ...acetanilide, title: 'Another =one' }])
    expect(fileName(title)).toBe('another-one')
    await expect(planToWrite(revision.id, readerHere)).rejects.toThrow('no such revision')
    await expect(openPreparation(id, readerHere)).rejects.toThrow('no such revision')
  })

  test('a plan that is not sound starts nothing', async () => {
    const before = (await listPreparations(made.course.id, ownerHere)).length
    await expect(startPreparation(made.course.id, { ...acetanilide, reference: 'nobody' }, person)).rejects.toThrow('/reference')
    expect(await listPreparations(made.course.id, ownerHere)).toHaveLength(before)
  })
})
