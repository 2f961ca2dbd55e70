/** What goes between benches and staff, against the database: steps of a bench's own, calls, PINs, groups together, what is usual, instruments. */
import { createServer, type Server } from 'node:net'
import type { AddressInfo } from 'node:net'
import type { Sequelize } from 'sequelize'
import { ulid } from 'ulid'
import { TestLog } from '@/test-support/entries'
import { emptyDatabase } from '@/test-support/database'
import { refused } from '@/test-support/refused'
import { foldRun } from '@/core/run/foldRun'
import { ownStepId } from '@/core/run/ownSteps'
import { database } from '@/data/connect'
import { Attempt, Beside, EntryRow, LabSession, User } from '@/data/models'
import { placesOfRuns } from '@/data/people'
import { college } from '@/demo/college'
import { standIn } from '@/devices/standIns'
import { seed } from '../../scripts/seed'
import { benchAt, type Person } from './actor'
import { openToday } from './calls'
import { addressesIn, instruments, loadStandIn, readInstrument, tellInstrument } from './instruments'
import { checkPin, hasPin, setPin, signersOf } from './pins'
import { viewRun, writeEntries } from './runs'
import { standInLoad } from './standInLoad'
import { answerCall, joinBenches, partBenches, signSteps, tellAll, tellBench } from './staffEntries'
import { usualOfOthers } from './usual'

jest.mock('./cookies', () => ({
  ...jest.requireActual<object>('./cookies'),
  sealedCookie: async () => ({ save: async () => undefined, destroy: () => undefined }),
}))

const now = new Date('2026-11-23T15:00:00Z')
const made = college(now, 'UTC')
const [, on] = made.sessions
const [owner, demonstrator] = made.people
let tables: Sequelize

beforeAll(async () => {
  tables = await emptyDatabase()
  await seed(process.env.MOZLE_OWNER_URL!, now, 'UTC')
  database()
})
afterAll(async () => {
  await tables.close()
  await database().close()
})

const person = (
  { id, name }: { id: string; name: string },
  role: 'owner' | 'demonstrator' | 'reader' = 'demonstrator',
): Person => ({
  kind: 'user',
  id,
  name,
  roles: { [made.course.id]: role },
})
const staff = person(demonstrator!)
const benchOf = async (run: string) => {
  const [place] = await placesOfRuns({ ids: [run] })
  return benchAt(place!, place!.code!, now)!
}
/** Entries as a tablet of that moment writes them. */
const fresh = <T extends object>(entry: T): T & { id: string; at: string } => ({ ...entry, id: ulid(), at: now.toISOString() })
const write = async (run: string, ...entries: object[]) => writeEntries(run, entries, await benchOf(run), { now })
const state = async (run: string) => {
  const view = await viewRun(run)
  return foldRun(view.plan, view.scale, view.entries)
}

test('a step of one’s own is taken, and its readings after it, also in another batch; nothing else under its name', async () => {
  const run = on!.runs[6]!.id
  const put = fresh(new TestLog().add('set-up', 'step', { title: 'A little more', operation: 'charge', line: 'aniline' }))
  expect((await write(run, put)).refused).toEqual([])
  const log = new TestLog()
  const good = fresh(log.reading(ownStepId(put), 'full', 24))
  const wrong = fresh(log.add(ownStepId(put), 'melting', { onsetC: 1, clearC: 2, decimals: 0 }))
  const nowhere = fresh(log.reading(`put-${ulid()}`, 'full', 24))
  const { refused: why } = await write(run, good, wrong, nowhere)
  expect(why.map(({ why: words }) => words)).toEqual([
    expect.stringContaining('“A little more” takes no melting range'),
    expect.stringContaining('The plan has no step'),
  ])
  const found = (await state(run)).steps.find(({ step }) => step.id === ownStepId(put))!
  expect([found.standing.map(({ id }) => id), found.putIn?.body.title]).toEqual([[good.id], 'A little more'])
  // Its title is free words: it stands beside the log.
  const row = (await EntryRow.findByPk(put.id, { raw: true }))!
  expect(JSON.parse(row.body)).toMatchObject({ title: expect.stringMatching(/^beside:/), operation: 'charge' })
  expect(await Beside.count({ where: { entry: put.id, field: 'title' } })).toBe(1)
})

test('calls: benches call, staff answer, notes are read; each only what is theirs', async () => {
  const run = on!.runs[0]!.id
  const log = new TestLog()
  const cut = fresh(log.add('set-up', 'incident', { what: 'cut', who: 'Quist', text: 'left thumb' }))
  const hand = fresh(log.add('set-up', 'hand', { text: 'which flask?' }))
  expect((await write(run, hand, cut)).refused).toEqual([])
  expect((await openToday(staff, now)).map(({ kind, words, bench }) => [kind, words, bench])).toEqual([
    ['incident', 'cut, Quist, left thumb', 1],
    ['hand', 'which flask?', 1],
  ])
  expect(await openToday(person(owner!, 'reader'), now)).toEqual([])
  expect(await openToday(staff, new Date(now.getTime() + 2 * 86_400_000))).toEqual([])
  // A session counts until twelve hours after its end, however long it goes on.
  const long = (await LabSession.findByPk(on!.id))!
  const usual = long.endsAt
  const end = new Date(long.startsAt.getTime() + 24 * 3_600_000)
  await long.update({ endsAt: end })
  const seenAt = async (hours: number) => (await openToday(staff, new Date(end.getTime() + hours * 3_600_000))).length
  expect([await seenAt(-1), await seenAt(12), await seenAt(12.01)]).toEqual([2, 2, 0])
  await long.update({ endsAt: usual })
  // A bench cannot see to its own accident.
  const own = await write(run, fresh(log.add('set-up', 'answer', { of: cut.id, text: '' })))
  expect(own.refused[0]!.why).toContain('seen to by a demonstrator')
  await answerCall(run, cut.id, 'bandaged', staff, now)
  await write(run, fresh(log.add('set-up', 'answer', { of: hand.id, text: '' })))
  expect(await openToday(staff, now)).toEqual([])
  expect(await refused(answerCall(run, ulid(), '', staff, now))).toContain('has not called')
  const [note] = await tellBench(run, 'Turn the water on', staff, now)
  expect(note).toMatchObject({ kind: 'message', by: demonstrator!.name })
  expect(await refused(answerCall(run, note!.id, '', staff, now))).toContain('read by the bench')
  expect((await write(run, fresh(log.add(note!.step, 'answer', { of: note!.id, text: '' })))).refused).toEqual([])
  expect(await refused(tellBench(run, '', staff, now))).toContain('nothing is said')
  // A note is nothing that a bench can write.
  expect((await write(run, fresh(log.add('set-up', 'message', { text: 'x' })))).refused[0]!.why).toContain('A bench cannot')
  const all = await tellAll(on!.id, 'Ten minutes more', staff)
  expect(Object.keys(all).sort()).toEqual(on!.runs.map(({ id }) => id).sort())
})

test('a struck call is gone, and more that is said of an accident asks nobody again', async () => {
  const run = on!.runs[1]!.id
  const log = new TestLog()
  const hand = fresh(log.add('set-up', 'hand', { text: '' }))
  const spill = fresh(log.add('set-up', 'incident', { what: 'spill', who: '', text: '' }))
  await write(run, hand, spill)
  await write(run, fresh(log.add('set-up', 'strike', {}, { supersedes: hand.id, reason: 'pressed by mistake' })))
  await answerCall(run, spill.id, '', staff, now)
  await write(
    run,
    fresh(
      log.add('set-up', 'incident', { what: 'spill', who: '', text: 'ether' }, { supersedes: spill.id, reason: 'more was said' }),
    ),
  )
  expect(await openToday(staff, now)).toEqual([])
})

describe('PINs', () => {
  const sign = (pin: string, run: string) => checkPin(demonstrator!.id, pin, run)
  test('are set with the password, not the first that anybody tries, and taken away', async () => {
    const password = demonstrator!.password
    expect(await refused(setPin(staff, { pin: '7193', password: 'guess' }, 'here'))).toContain('do not go together')
    for (const pin of ['1111', '1234', '9876']) expect(await refused(setPin(staff, { pin, password }, 'here'))).toContain('first')
    expect(await hasPin(staff.id)).toBe(false)
    await setPin(staff, { pin: '7193', password }, 'here')
    expect(await signersOf(made.course.id)).toEqual([
      { id: owner!.id, name: owner!.name, pin: false },
      { id: demonstrator!.id, name: demonstrator!.name, pin: true },
    ])
    expect((await User.findByPk(staff.id))!.pinHash).toMatch(/^\$argon2id\$/)
    expect((await sign('7193', 'a')).roles).toEqual({ [made.course.id]: 'demonstrator' })
    await setPin(staff, { pin: '', password }, 'here')
    expect(await refused(sign('7193', 'a'))).toContain('not that person’s PIN')
  })

  test('have three free tries at a bench, and some more over all of them', async () => {
    await Attempt.destroy({ where: {} })
    await setPin(staff, { pin: '7193', password: demonstrator!.password }, 'here')
    for (let tried = 0; tried < 4; tried++) expect(await refused(sign('0000', 'one'))).toContain('not that person’s PIN')
    expect(await refused(sign('7193', 'one'))).toContain('Too many attempts')
    expect((await sign('7193', 'two')).name).toBe(demonstrator!.name)
    for (let bench = 0; bench < 10; bench++) await refused(sign('0000', `bench ${bench}`))
    expect(await refused(sign('7193', 'three'))).toContain('Too many attempts')
    expect(await refused(checkPin('nobody', '7193', 'four'))).toContain('not that person’s PIN')
    await Attempt.destroy({ where: {} })
  })

  test('sign what waits, one step or several, and only for who may', async () => {
    const run = on!.runs[5]!.id
    const view = await viewRun(run)
    const due = foldRun(view.plan, view.scale, view.entries).steps.filter(({ signature }) => signature.state === 'due')
    const signer = { person: staff.id, pin: '7193', from: 'tablet' }
    const signed = await signSteps(
      run,
      due.map(({ step }) => step.id),
      signer,
      'bench tablet',
      'here',
      now,
    )
    expect(signed.map(({ kind, by }) => [kind, by])).toEqual(due.map(() => ['signature', demonstrator!.name]))
    expect((await state(run)).steps.filter(({ signature }) => signature.state === 'due')).toEqual([])
  })
})

test('two groups go on as one and part again, within one session', async () => {
  const [one, two, three] = on!.runs.slice(2, 5).map(({ id }) => id) as [string, string, string]
  await joinBenches(one, two, on!.id, staff)
  expect([(await state(one)).joined, (await state(two)).joined]).toEqual([
    { bench: on!.runs[3]!.bench, here: true },
    { bench: on!.runs[2]!.bench, here: false },
  ])
  expect(await refused(joinBenches(three, two, on!.id, staff))).toContain('already')
  expect(await refused(joinBenches(one, one, on!.id, staff))).toContain('another one')
  expect(await refused(joinBenches(one, made.sessions[0]!.runs[0]!.id, on!.id, staff))).toContain('one session')
  await partBenches(two, on!.id, staff)
  expect([(await state(one)).joined, (await state(two)).joined]).toEqual([null, null])
})

test('what is usual is that of the others of the session, three at least', async () => {
  const past = made.sessions[0]!.runs
  const usual = await usualOfOthers(past[0]!.id)
  expect(usual.dry!.of).toBeGreaterThanOrEqual(3)
  expect(usual.dry!.of).toBeLessThan(past.length)
  expect(usual.dry!.middle).toBeGreaterThan(0)
  // Each hears of the others, never of itself.
  expect((await usualOfOthers(past[0]!.id)).dry).toEqual(usual.dry)
  const middles = await Promise.all(past.map(async ({ id }) => (await usualOfOthers(id)).dry!.middle))
  expect(new Set(middles).size).toBeGreaterThan(1)
})

describe('instruments', () => {
  let server: Server
  const balance = standIn('balance')
  let silent = false
  beforeAll(async () => {
    server = createServer((socket) => {
      socket.setEncoding('utf8')
      socket.on('data', (text: string) => {
        for (const line of text.split('\n').filter(Boolean)) if (!silent) socket.write(`${balance.answer(line, Date.now())}\n`)
      })
    })
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
    process.env.MOZLE_INSTRUMENTS = `balance=127.0.0.1:${(server.address() as AddressInfo).port} thermometer=127.0.0.1:1`
  })
  afterAll(async () => {
    delete process.env.MOZLE_INSTRUMENTS
    await new Promise((resolve) => server.close(resolve))
  })

  test('are named with blanks between, and what cannot be read is left out', () => {
    expect(addressesIn('balance=127.0.0.1:4501  toaster=x:1 melting=lab.example:70 thermometer=nowhere')).toEqual([
      { kind: 'balance', host: '127.0.0.1', port: 4501 },
      { kind: 'melting', host: 'lab.example', port: 70 },
    ])
    expect(addressesIn('')).toEqual([])
  })

  test('those that answer are offered; one that does not is said', async () => {
    expect(await instruments()).toEqual([{ kind: 'balance', name: 'Balance 1', standIn: true }])
    await loadStandIn('balance', 'LOAD 23.418')
    expect((await readInstrument('balance')).unit).toBe('g')
    await tellInstrument('balance', 'TARE')
    expect(await refused(tellInstrument('balance', 'RAMP'))).toContain('does not do that')
    expect(await refused(readInstrument('thermometer'))).toContain('does not answer')
    expect(await refused(readInstrument('melting'))).toContain('no such instrument')
    silent = true
    expect(await refused(readInstrument('balance'))).toContain('does not answer')
    silent = false
  })

  test('a stand-in is given what the plan has in that place', async () => {
    const view = await viewRun(on!.runs[0]!.id)
    expect(standInLoad(view, 'charge-aniline', 'balance', 'empty')).toBe('LOAD 23.418')
    // 4.00 mL of 1.022 g/mL weigh 4.088 g.
    expect(standInLoad(view, 'charge-aniline', 'balance', 'full')).toMatch(/^LOAD 27\.5/)
    expect(standInLoad(view, 'charge-aniline', 'balance', 'net')).toMatch(/^LOAD 4\.08/)
    expect(standInLoad(view, 'melt', 'melting', 'range')).toMatch(/^LOAD 11\d\.\d 11\d\.\d$/)
    expect(standInLoad(view, 'nowhere', 'balance', 'full')).toBeNull()
    expect(standInLoad(view, 'melt', 'refractometer', 'index')).toBeNull()
  })
})
