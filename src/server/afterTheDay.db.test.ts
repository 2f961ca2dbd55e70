/** What comes after a lab day, against the database: releases, what counts, corrections, files of instruments, marks, archives, other classes, search. */
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import type { Sequelize } from 'sequelize'
import { emptyDatabase } from '@/test-support/database'
import { refused } from '@/test-support/refused'
import { resultsOf } from '@/core/classroom/classResults'
import { foldClass } from '@/core/classroom/foldClass'
import { releasedOf } from '@/core/classroom/released'
import { simulateChromatogram } from '@/core/traces/simulate'
import { writeJcamp } from '@/core/traces/writeJcamp'
import { usualScheme } from '@/core/marking/scheme'
import { database } from '@/data/connect'
import { isSigned, publicPem, signingKey } from '@/data/heads'
import { InstrumentFile, ResultRelease } from '@/data/models'
import { college } from '@/demo/college'
import { repeatable } from '@/core/quantity/repeatable'
import { importArchive } from '../../scripts/importArchive'
import { seed } from '../../scripts/seed'
import type { Person } from './actor'
import { archiveResponse, csvOf, filesHeader } from './apart/exported'
import { writeArchive } from './archive'
import { placesOfRuns } from '@/data/people'
import { benchAt } from './actor'
import { addFile, addReport, contentOf, describeFile, filesOf, filesOfRun, removeFile, subjectOfFile } from './files'
import { may } from './rights'
import { findRuns } from './findRuns'
import { forgetWords } from './forgetting'
import { decide, handBack, handedBackTo, marksFile, marksOf, setScheme } from './marks'
import { otherClasses } from './otherClasses'
import { releaseResults, releasesOf } from './releases'
import { listSessions, viewSession, type SessionHead } from './sessions'
import { correctReading, excludeRun, includeRun } from './staffEntries'

const now = new Date('2026-11-23T15:00:00Z')
const made = college(now, 'UTC')
const finished = made.sessions[0]!
const owner = made.people[0]!
const person: Person = { kind: 'user', id: owner.id, name: owner.name, roles: { [made.course.id]: 'owner' } }
let tables: Sequelize
let heads: SessionHead[]
let folder: string

beforeAll(async () => {
  tables = await emptyDatabase()
  await seed(process.env.MOZLE_OWNER_URL!, now, 'UTC')
  database()
  heads = (await listSessions(made.course.id)).sessions
  folder = mkdtempSync(join(tmpdir(), 'mozle-archive-'))
})
afterAll(async () => {
  rmSync(folder, { recursive: true })
  await tables.close()
  await database().close()
})

const results = async (id: string) => {
  const view = await viewSession(id, false)
  return resultsOf(view.plan, foldClass(view.plan, view.runs))
}
const sessionOf = (title: string) => heads.find((head) => head.title === title)!.id

describe('results that were released', () => {
  test('stay as they were while a correction changes what would come out now', async () => {
    await releaseResults(finished.id, owner.id, 'here', now)
    expect(await refused(releaseResults(finished.id, owner.id, 'here', now))).toContain('released already')
    const run = finished.runs[0]!
    const view = await viewSession(finished.id, false)
    const last = view.runs[0]!.entries.findLast(({ step, kind }) => step === 'dry' && kind === 'reading')!
    await correctReading(run.id, { of: last.id, body: { value: 35.11 }, reason: 'the slip said 3.91 g' }, person, now)
    const [release] = await releasesOf(finished.id, releasedOf(await results(finished.id)))
    expect(release!.by).toBe(owner.name)
    expect(release!.released.rows[0]!.fraction).toBeCloseTo(0.7497, 2)
    expect(release!.changed.map(({ bench, what }) => `${bench} ${what}`)).toContain('1 Yield of acetanilide, purified')
    // The old reading stays readable, with who and why.
    const after = (await viewSession(finished.id, false)).runs[0]!
    const corrected = after.entries.at(-1)!
    expect(corrected).toMatchObject({
      by: owner.name,
      reason: 'the slip said 3.91 g',
      supersedes: last.id,
      device: 'results page',
    })
  })
  test('a release that was touched in the database is not shown as one', async () => {
    const row = await ResultRelease.findOne({ where: { session: finished.id } })
    await tables.query('UPDATE result_release SET document = :document WHERE id = :id', {
      replacements: { document: row!.document.replace('"bench":1', '"bench":9'), id: row!.id },
    })
    expect(await refused(releasesOf(finished.id, releasedOf(await results(finished.id))))).toContain('touched in the database')
    await tables.query('UPDATE result_release SET document = :document WHERE id = :id', {
      replacements: { document: row!.document, id: row!.id },
    })
  })
  test('the application can add a release and change none', async () => {
    const row = await ResultRelease.findOne({ where: { session: finished.id } })
    await expect(row!.update({ version: 'other' })).rejects.toThrow(/denied/)
  })
  test('what does not stand cannot be put right, nor what cannot be', async () => {
    const run = finished.runs[1]!
    const view = (await viewSession(finished.id, false)).runs[1]!
    const reading = view.entries.find(({ kind }) => kind === 'melting')!
    expect(await refused(correctReading(run.id, { of: '01HZZZZZZZZZZZZZZZZZZZ0001', body: {}, reason: 'x' }, person))).toContain(
      '409',
    )
    expect(await refused(correctReading(run.id, { of: reading.id, body: { clearC: 20 }, reason: 'x' }, person))).toContain(
      'clear point',
    )
    const press = view.entries.find(({ kind }) => kind === 'press')!
    expect(await refused(correctReading(run.id, { of: press.id, body: {}, reason: 'x' }, person))).toContain(
      'Only what an instrument showed',
    )
  })
})

test('a result is left out with a reason, stays visible, and counted again nothing has changed', async () => {
  const before = await results(finished.id)
  const run = finished.runs[2]!
  await excludeRun(run.id, 'weighed wet', person)
  expect(await refused(excludeRun(run.id, 'again', person))).toContain('409')
  const out = await results(finished.id)
  expect(out.rows[2]).toMatchObject({ excluded: { reason: 'weighed wet', by: owner.name }, outlier: false })
  expect(out.rows[2]!.result!.fraction.value).toBe(before.rows[2]!.result!.fraction.value)
  const counted = out.rows
    .flatMap(({ result, excluded }) => (result && !excluded ? [result.fraction.value] : []))
    .sort((a, b) => a - b)
  expect(counted).toHaveLength(7)
  expect(out.medianResult).toBe(counted[3])
  await includeRun(run.id, person)
  expect(await refused(includeRun(run.id, person))).toContain('409')
  const again = await results(finished.id)
  expect({ ...again, rows: again.rows.map(({ outcomes: _o, ...row }) => row) }).toEqual({
    ...before,
    rows: before.rows.map(({ outcomes: _o, ...row }) => row),
  })
})

describe('files of instruments', () => {
  const trace = (title: string) =>
    writeJcamp(
      simulateChromatogram(
        [{ atMin: 4, area: 20, sigmaMin: 0.05 }],
        { title, minutes: 8, points: 300, drift: 1, noise: 0.02 },
        repeatable(5),
      ),
    )
  test('those of the demo find their benches, and say that they are simulated', async () => {
    const files = await filesOf(await viewSession(sessionOf('Isopentyl acetate'), false))
    expect(files).toHaveLength(12)
    for (const { run, simulated } of files) expect([run !== null, simulated]).toEqual([true, true])
  })
  test('one is matched by its slot, kept as it came, described, and taken away', async () => {
    const session = sessionOf('Isopentyl acetate')
    const view = await viewSession(session, false)
    const content = trace('second run of vial A3')
    const { id, run } = await addFile(session, { name: 'export.jdx', content }, owner.id, 'here')
    expect(run).toBe(view.runs[2]!.id)
    expect(await contentOf(id)).toEqual({ name: 'export.jdx', content })
    expect(await refused(addFile(session, { name: 'again.jdx', content }, owner.id, 'here'))).toContain('here already')
    await describeFile(
      id,
      {
        run: view.runs[3]!.id,
        reading: { peaks: [{ name: 'isopentyl acetate', response: 1, left: false }] },
      },
      person,
    )
    const found = (await filesOf(view)).find((file) => file.id === id)!
    expect([found.run, found.reading.peaks?.[0]?.name]).toEqual([view.runs[3]!.id, 'isopentyl acetate'])
    expect(await refused(describeFile(id, { run: finished.runs[0]!.id }, person))).toContain('not of the session')
    await removeFile(id, owner.id, 'here')
    expect(await InstrumentFile.count({ where: { id } })).toBe(0)
  })
  test('what cannot be read is refused with its name, and one that fits nobody waits for a person', async () => {
    const session = sessionOf('Isopentyl acetate')
    expect(await refused(addFile(session, { name: 'notes.txt', content: 'hello' }, owner.id, 'here'))).toContain('notes.txt')
    const { id, run } = await addFile(session, { name: 'unknown.jdx', content: trace('no slot') }, owner.id, 'here')
    expect(run).toBeNull()
    await removeFile(id, owner.id, 'here')
  })
})

test('a group reads its own spectra with its code for reading, types in what it has on paper, and nothing more after marks are back', async () => {
  const session = sessionOf('Isopentyl acetate')
  const view = await viewSession(session, false)
  const run = view.runs[0]!.id
  const [place] = await placesOfRuns({ ids: [run] })
  const group = benchAt(place!, place!.readCode!, now)!
  const own = (await filesOfRun(run)).find(({ kind }) => kind === 'NMR')!
  expect(await subjectOfFile(own)).toEqual({ course: made.course.id, run })
  expect(may(group, 'file.describe', await subjectOfFile(own))).toBe(true)
  const [other] = await filesOfRun(view.runs[1]!.id)
  expect(may(group, 'file.describe', await subjectOfFile(other!))).toBe(false)
  const shifts = [{ ppm: '2.04', protons: '3', form: 'singlet', what: 'CH3 beside C=O' }]
  await describeFile(own.id, { reading: { shifts } }, group)
  await describeFile(own.id, { reading: { peaks: [] } }, person)
  // What staff say of one part leaves what the group said of another.
  const said = (await filesOfRun(run)).find(({ id }) => id === own.id)!.reading
  expect(said).toEqual({ shifts, peaks: [], by: { shifts: 'the group', peaks: owner.name } })
  // Both at once: neither takes away what the other says.
  const mine = [{ ppm: '1', protons: '1', form: '', what: 'Mia' }]
  await Promise.all([
    describeFile(own.id, { reading: { shifts: mine } }, group),
    describeFile(own.id, { reading: { typed: [{ at: 1, area: 1 }] } }, person),
  ])
  const both = (await filesOfRun(run)).find(({ id }) => id === own.id)!.reading
  expect([both.shifts, both.typed]).toEqual([mine, [{ at: 1, area: 1 }]])
  // What was written freely goes with the words of the run; the figures stay.
  await forgetWords([run])
  const later = (await filesOfRun(run)).find(({ id }) => id === own.id)!.reading
  expect(later.shifts).toEqual([{ ...mine[0]!, what: '' }])
  expect(await refused(describeFile(own.id, { run: view.runs[1]!.id }, group))).toContain('403')
  expect(await refused(addReport(run, 'nothing', group, 'here'))).toContain('a time and an area')
  const { id } = await addReport(run, '2 5.61 980\n1 3.40 20', group, 'here')
  const typed = (await filesOfRun(run)).find((file) => file.id === id)!
  expect([typed.addedBy, typed.kind, typed.simulated]).toEqual(['the group', 'chromatogram', false])
  await decide(run, { points: {}, comments: {}, comment: '' }, owner.id, 'here')
  await describeFile(own.id, { reading: { shifts: null } }, group)
  await handBack(session, owner.id, 'here')
  expect(await refused(describeFile(own.id, { reading: { shifts } }, group))).toContain('handed back')
  expect(await refused(addReport(run, '1 2', group, 'here'))).toContain('handed back')
  await describeFile(own.id, { reading: { shifts } }, person)
})

test('marks: the record proposes, a person decides, the group reads what was handed back', async () => {
  const view = await viewSession(finished.id, false)
  const { scheme, marked } = await marksOf(view)
  expect(scheme).toEqual(usualScheme)
  const [, first, wet] = marked
  expect(first!.proposals.map(({ criterion, points }) => [criterion, points])).toEqual([
    ['record', 4],
    ['arithmetic', null],
    ['yield', expect.any(Number)],
    ['purity', 4],
    ['safety', 2],
    ['report', null],
  ])
  expect(wet!.proposals.find(({ criterion }) => criterion === 'yield')).toMatchObject({ points: null })
  await setScheme(finished.id, { ...usualScheme, points: { ...usualScheme.points, report: 10 } }, owner.id)
  const run = finished.runs[1]!.id
  const mark = { points: { record: 4, report: 8 }, comments: { report: 'clear' }, comment: 'well done' }
  expect(await refused(decide(run, { ...mark, points: { report: 11 } }, owner.id, 'here'))).toContain('Between 0 and 10')
  await decide(run, mark, owner.id, 'here')
  expect(await handedBackTo(run)).toBeNull()
  expect(await handBack(finished.id, owner.id, 'here')).toBe(1)
  expect(await refused(handBack(finished.id, owner.id, 'here'))).toContain('409')
  expect((await handedBackTo(run))!.mark).toEqual(mark)
  expect(await refused(setScheme(finished.id, usualScheme, owner.id))).toContain('handed back under this scheme')
  const { text } = await marksFile(finished.id)
  expect(text).toContain('report (points)')
  expect(text.split('\r\n').filter((line) => line.startsWith('2,'))).toHaveLength(2)
  // Decided anew it waits to be handed back again.
  await decide(run, { ...mark, comment: 'better' }, owner.id, 'here')
  expect(await handedBackTo(run)).toBeNull()
})

/** An archive whole, for tests. */
async function archiveOf(id: string, at: Date): Promise<{ name: string; files: number; bytes: Uint8Array }> {
  let head = { name: '', files: 0 }
  const parts: Uint8Array[] = []
  await writeArchive(id, { begins: (said) => (head = said), write: (bytes) => void parts.push(bytes) }, at)
  return { ...head, bytes: Buffer.concat(parts) }
}

describe('an archive', () => {
  test('is made in a process of its own, one at a time, and says how many files it holds', async () => {
    const making = archiveResponse(finished.id, now)
    await expect(archiveResponse(finished.id, now)).rejects.toThrow(/Another archive is being made/)
    const response = await making
    const bytes = new Uint8Array(await response.arrayBuffer())
    const here = await archiveOf(finished.id, now)
    expect(response.headers.get('content-disposition')).toContain(here.name)
    expect(Object.keys(unzipSync(bytes))).toHaveLength(Number(response.headers.get(filesHeader)))
    expect(Object.keys(unzipSync(here.bytes))).toHaveLength(here.files)
    const without = (all: Uint8Array) => ({ ...unzipSync(all), 'ro-crate-metadata.json': null })
    expect(without(bytes)).toEqual(without(here.bytes))
    await expect(archiveResponse('01J00000000000000000000009', now)).rejects.toThrow(/could not be made/)
    // What failed leaves room for the next.
    await (await archiveResponse(finished.id, now)).arrayBuffer()
  })
  test('tables are made apart as well', async () => {
    const table = await csvOf(finished.id, 'figures')
    expect(table.headers.get('content-disposition')).toMatch(/figures-acetanilide-section-a.csv/)
    expect((await table.text()).split('\r\n')[0]).toContain('bench,group')
    await expect(csvOf('01J00000000000000000000009', 'log')).rejects.toThrow('There is no such lab session.')
  })
  const file = () => join(folder, 'session.crate.zip')
  test('is read back to the same figures, with every checksum', async () => {
    for (const title of [
      'Acetanilide',
      'Isopentyl acetate',
      'A day of tests on alcohols and carbonyl compounds',
      'Benzilic acid',
    ]) {
      const { name, bytes } = await archiveOf(title === 'Acetanilide' ? finished.id : sessionOf(title), now)
      expect(name).toMatch(/^[a-z0-9.-]+\.crate\.zip$/)
      writeFileSync(file(), bytes)
      const { code, out, err } = importArchive([file()])
      expect([title, code, err]).toEqual([title, 0, ''])
      expect(out).toContain('8 runs worked out anew: every figure is the same')
    }
  })
  test('proves its logs where the service signs them; one that was touched says so', async () => {
    process.env.MOZLE_KEYS = folder
    const { bytes } = await archiveOf(finished.id, now)
    delete process.env.MOZLE_KEYS
    writeFileSync(file(), bytes)
    expect(importArchive([file()])).toMatchObject({
      code: 0,
      out: expect.stringContaining('8 logs are the ones that were signed, entry by entry') as string,
    })
    const files = unzipSync(bytes)
    // The table of entries names each hash, and of each run the signature of its head.
    const rows = strFromU8(files['log.csv']!)
      .split('\n')
      .filter((row) => row.includes(finished.runs[0]!.id))
    const [run, seq, at, signature] = /([0-9A-Z]{26}) (\d+) (\S+) ([A-Za-z0-9+/]+=*)/.exec(rows[0]!)!.slice(1)
    const [, hash] = /,([0-9a-f]{64}),/.exec(rows[0]!)!
    expect(
      isSigned({ run: run!, seq: Number(seq), hash: hash!, at: at!, signature: signature! }, publicPem(signingKey(folder))),
    ).toBe(true)
    expect([rows.length, run]).toEqual([1, finished.runs[0]!.id])
    const touched = (path: string, change: (text: string) => string) => {
      writeFileSync(file(), zipSync({ ...files, [path]: strToU8(change(strFromU8(files[path]!))) }))
      return importArchive([file()]).out
    }
    expect(touched('runs/bench-01.json', (text) => text.replace(/"at": ?"20\d\d/, '"at": "2021'))).toMatch(
      /stands otherwise in its file, from entry 1 on/,
    )
    expect(touched('log.proof.json', (text) => text.replace('reading', 'readinG'))).toContain('is not the one that was signed')
    expect(touched('log.proof.json', (text) => text.replace(/"signature": "../, '"signature": "AA'))).toContain('is not signed')
  })
  test('holds what calc reads, reports that stand alone, and the files of instruments', async () => {
    const { bytes } = await archiveOf(sessionOf('Isopentyl acetate'), now)
    writeFileSync(file(), bytes)
    const { out } = importArchive([file(), '--into', join(folder, 'out')])
    expect(out).toContain('./mozle calc')
    const plan = JSON.parse(readFileSync(join(folder, 'out/plan.json'), 'utf8')) as { title: string }
    expect(plan.title).toBe('Isopentyl acetate')
    const report = readFileSync(join(folder, 'out/reports/bench-05.html'), 'utf8')
    expect(report).toContain('Where the rest of isopentyl acetate has gone')
    expect(report).not.toMatch(/<script|src=|https?:/)
    expect(Object.keys(unzipSync(bytes)).filter((path) => /^spectra\/.*\.jdx$/.test(path))).toHaveLength(13)
    const figures = strFromU8(unzipSync(bytes)['figures.csv']!)
    expect(figures).toContain('Boiling range of isopentyl acetate')
    expect(figures).toContain('(°C)')
  })
  test('that was touched says which file, and one with other figures says which', async () => {
    const { bytes } = await archiveOf(finished.id, now)
    const files = unzipSync(bytes)
    const write = (path: string, change: (text: string) => string) =>
      writeFileSync(file(), zipSync({ ...files, [path]: strToU8(change(strFromU8(files[path]!))) }))
    write('runs/bench-06.json', (text) => text.replaceAll('35.35', '35.85'))
    const touched = importArchive([file()])
    expect(touched.code).toBe(1)
    expect(touched.out).toContain('TOUCHED: runs/bench-06.json')
    expect(touched.out).toContain('OTHERWISE: bench 6')
    write('plan.json', () => '{')
    expect(importArchive([file()])).toMatchObject({ code: 2, err: expect.stringContaining('plan.json') as string })
    writeFileSync(file(), 'no zip')
    expect(importArchive([file()]).code).toBe(2)
    expect(importArchive([]).err).toContain('usage')
  })
})

test('classes of one preparation stand beside each other, the earliest first', async () => {
  const { classes, unreadable } = await otherClasses(await viewSession(finished.id, false))
  expect(unreadable).toBe(0)
  expect(classes.map(({ section }) => section)).toEqual(['Autumn 2025', 'Spring 2026', 'Section A'])
  for (const { median, spread, benches } of classes) expect([median! > 0.6, spread! > 0, benches]).toEqual([true, true, 8])
  // Asked again, nothing is worked out anew, and what comes to it is.
  expect((await otherClasses(await viewSession(finished.id, false))).classes).toEqual(classes)
})

test('runs are found by plan, substance, group, year and result', async () => {
  const nothing = { plan: '', substance: '', group: '', year: '', from: null as number | null, to: null as number | null }
  const find = async (by: Partial<typeof nothing>) => (await findRuns(made.course.id, { ...nothing, ...by })).found
  expect((await find({ plan: 'tests on' })).map(({ title }) => title)).toEqual(
    Array(8).fill('A day of tests on alcohols and carbonyl compounds'),
  )
  expect(new Set((await find({ substance: 'fluorene' })).map(({ title }) => title))).toEqual(
    new Set(['Separation of an acid, an amine and a hydrocarbon']),
  )
  expect((await find({ group: 'Oduya' })).map(({ bench, result }) => [bench, result!.kind])).toEqual([[6, 'yield']])
  expect((await find({ plan: 'Acetanilide', year: '2025' })).length).toBe(8)
  const little = await find({ plan: 'Acetanilide', from: 0, to: 50 })
  expect(little.every(({ result }) => result!.percent <= 50)).toBe(true)
  expect(little.length).toBeGreaterThanOrEqual(2)
  expect(await find({ plan: '100%_' })).toEqual([])
  expect((await findRuns('01HZZZZZZZZZZZZZZZZZZZ0000', nothing)).found).toEqual([])
})
