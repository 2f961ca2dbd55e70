/** The small pure pieces that screens are made of. */
import { acetanilide, benzoin } from '@/test-support/plans'
import { TestLog } from '@/test-support/entries'
import { editLine } from '@/core/edit/editLine'
import { reactionTable, computedLine } from '@/core/reaction/reactionTable'
import { scalePlan } from '@/core/edit/scalePlan'
import { foldRun } from '@/core/run/foldRun'
import { college } from '@/demo/college'
import { readingOf } from './bench/readingOf'
import { classResults } from '@/core/classroom/classResults'
import { changeBetween, patched } from './desk/change'
import { displayOf } from './desk/ReactionTableView'
import { entryLabel, entryValue } from './run/labels'
import { ago, clockTime, fullDay, longDay, momentIn, span } from './time'

describe('times', () => {
  const at = '2026-11-23T13:05:00Z'
  const now = (iso: string) => Date.parse(iso)

  test('wall clock and day in the laboratory’s zone', () => {
    expect(clockTime(at, 'UTC')).toBe('13:05')
    expect(clockTime(at, 'Asia/Kolkata')).toBe('18:35')
    const today = new Date('2026-12-31T23:00:00Z')
    expect(longDay(at, 'UTC', today)).toBe('Monday 23 November')
    // A year later it is another year, and in Auckland it is one already.
    expect(longDay(at, 'UTC', new Date('2027-01-01T00:00:00Z'))).toBe('Monday 23 November 2026')
    expect(longDay(at, 'Pacific/Auckland', today)).toBe('Tuesday 24 November 2026')
    expect(fullDay('2027-11-23T23:30:00Z', 'Asia/Kolkata')).toBe('24 November 2027')
    expect(longDay('2026-11-23T23:30:00Z', 'Asia/Kolkata', new Date('2026-06-01T00:00:00Z'))).toBe('Tuesday 24 November')
  })

  test.each([
    ['UTC', '2026-11-23', '13:30', '2026-11-23T13:30:00.000Z'],
    ['Asia/Kolkata', '2026-11-23', '13:30', '2026-11-23T08:00:00.000Z'],
    ['America/New_York', '2026-07-01', '00:10', '2026-07-01T04:10:00.000Z'],
    // The clocks of Berlin go forward from 02:00 to 03:00 on 29 March 2026.
    ['Europe/Berlin', '2026-03-29', '01:59', '2026-03-29T00:59:00.000Z'],
    ['Europe/Berlin', '2026-03-29', '03:00', '2026-03-29T01:00:00.000Z'],
  ])('the clock of %s on %s at %s is the moment %s', (zone, date, clock, moment) =>
    expect(momentIn(zone, date, clock).toISOString()).toBe(moment),
  )

  test.each([
    ['2026-11-23T13:05:30Z', 'just now'],
    ['2026-11-23T13:17:00Z', '12 min ago'],
    ['2026-11-23T15:10:00Z', '2 h 5 min ago'],
    ['2026-11-24T14:00:00Z', 'yesterday'],
    ['2026-11-27T14:00:00Z', '4 days ago'],
  ])('at %s it was %s', (later, words) => expect(ago(at, now(later))).toBe(words))

  test.each([
    [372_000, '06:12'],
    [0, '00:00'],
    [-130_000, '+02:10'],
    [3_725_000, '1:02:05'],
  ])('%d ms reads %s', (ms, text) => expect(span(ms)).toBe(text))
})

describe('readings from the pad', () => {
  const value = (text: string) => {
    const read = readingOf(text, 'g', 3)
    return read.ok ? read.value : read.problem
  }
  test.each([
    ['27.483', { value: 27.483, decimals: 3 }],
    ['27,48', { value: 27.48, decimals: 2 }],
    ['27.483 g', { value: 27.483, decimals: 3 }],
    ['0', { value: 0, decimals: 0 }],
    // Another unit of the same kind, known as well as it was typed.
    ['6100 mg', { value: 6.1, decimals: 3 }],
    ['6.1e3 mg', { value: 6.1, decimals: 3 }],
    ['0,0061 kg', { value: 6.1, decimals: 1 }],
  ])('%s', (text, expected) => expect(value(text)).toEqual(expected))
  test('471 K and 388 °F in a place for °C', () => {
    expect(readingOf('471 K', '°C', 1)).toMatchObject({ ok: true, value: { value: 197.85 } })
    expect(readingOf('387.5 °F', '°C', 1)).toMatchObject({ ok: true, value: { value: 197.5, decimals: 1 } })
    expect(readingOf('1.5 h', 'min', 0)).toMatchObject({ ok: true, value: { value: 90 } })
  })
  test.each([
    ['', /Nothing is entered.*27.483 g/],
    ['27.4.8', /two ways/],
    ['-3', /below zero.*[Tt]are/],
    ['heavy', /not a number/],
    ['12 mL', /holds g, not mL/],
  ])('%j is refused', (text, message) => expect(value(text)).toMatch(message))
})

describe('figures in the table', () => {
  const table = reactionTable(acetanilide)
  const shown = (id: string, column: 'mass' | 'volume' | 'amount' | 'ratio') => displayOf(computedLine(table, id), column)

  test('typed as typed, derived as justified, unknown as nothing', () => {
    expect(shown('aniline', 'volume')).toEqual({ number: '4.00', unit: 'mL', typed: true })
    expect(shown('aniline', 'mass')).toEqual({ number: '4.09', unit: 'g', typed: false })
    expect(shown('hot-water', 'amount')).toEqual({ number: '5.43', unit: 'mol', typed: false })
    expect(shown('zinc', 'volume')).toBeNull()
    expect(shown('aniline', 'ratio')).toEqual({ number: '1.00', unit: '', typed: false })
    expect(displayOf(computedLine(reactionTable(benzoin), 'thiamine'), 'ratio')).toEqual({
      number: '0.053',
      unit: '',
      typed: true,
    })
  })

  test('a small amount changes its unit', () => {
    const read = editLine(acetanilide, 'zinc', 'mass', '0.010 g')
    if (!read.ok) throw new Error(read.problem)
    expect(displayOf(computedLine(reactionTable(read.value), 'zinc'), 'mass')).toEqual({
      number: '0.010',
      unit: 'g',
      typed: true,
    })
    expect(displayOf(computedLine(reactionTable(read.value), 'zinc'), 'amount')).toMatchObject({ typed: false, unit: 'mmol' })
  })
})

describe('changes', () => {
  test('forward and back are exact, and the plan given is not touched', () => {
    const after = scalePlan(acetanilide, 2)
    const before = structuredClone(acetanilide)
    const change = changeBetween(acetanilide, after, 'scale')
    expect(patched(acetanilide, change.forward)).toEqual(after)
    expect(patched(after, change.back)).toEqual(acetanilide)
    expect(acetanilide).toEqual(before)
  })

  test('a change names only what differs', () => {
    const read = editLine(acetanilide, 'aniline', 'volume', '5.00 mL')
    if (!read.ok) throw new Error(read.problem)
    expect(changeBetween(acetanilide, read.value, 'x').forward).toEqual([
      { op: 'replace', path: '/lines/0/anchor/quantity/value', value: 5 },
    ])
    expect(changeBetween(acetanilide, structuredClone(acetanilide), 'x').forward).toEqual([])
  })
})

describe('words for entries', () => {
  const log = new TestLog()
  const [full, empty] = log.difference('charge-aniline', 27.512, 23.418)
  const others = {
    volume: log.reading('charge-anhydride', 'volume', 5, 2, {}, 'mL'),
    melting: log.add('melt', 'melting', { onsetC: 113, clearC: 114.7, decimals: 1 }),
    heat: log.press('reflux', 'heat-on'),
    done: log.done('safety'),
  }
  const { steps } = foldRun(acetanilide, 1, log.entries)
  const label = (entry: (typeof log.entries)[number]) =>
    entryLabel(
      steps.find(({ step }) => step.id === entry.step)!,
      entry,
    )

  test('say the container and its state', () => {
    expect(label(full)).toBe('Vial with contents, with cap')
    expect(label(empty)).toBe('Vial empty, with cap')
    expect(entryValue(full)).toBe('27.512 g')
  })

  test('and every other kind', () => {
    expect(label(others.volume)).toBe('Volume')
    expect(entryValue(others.volume)).toBe('5.00 mL')
    expect(entryValue(others.melting)).toBe('113.0–114.7 °C')
    expect(label(others.melting)).toBe('Melting range')
    expect(label(others.heat)).toBe('Heat on')
    expect(label(others.done)).toBe('Done')
    expect(entryValue(others.done)).toBe('')
  })
})

describe('rows of results', () => {
  const { sessions, preparations } = college(new Date(2026, 10, 23, 15), 'UTC')
  const runs = sessions[0]!.runs.map((run) => ({
    ...run,
    entries: run.entries.map((entry, index) => ({ ...entry, seq: index + 1 })),
  }))
  const found = classResults(preparations[0]!.plan, runs)

  test('the class has a median, and its wild ones are called out', () => {
    expect(Math.round(100 * found.medianResult!)).toBe(73)
    expect(Math.round(100 * found.medianRecovery!)).toBe(88)
    expect(found.shiftC).toBeCloseTo(-0.4, 6)
    expect(found.rows.map(({ outlier }) => outlier)).toEqual([false, false, true, false, true, false, false, false])
  })

  test('a bench without a yield is in its row and not in the median', () => {
    const some = classResults(preparations[0]!.plan, [{ ...runs[0]!, entries: [] }, runs[1]!])
    expect(some.rows.map(({ result }) => result !== null)).toEqual([false, true])
    expect(some.medianResult).toBe(some.rows[1]!.result!.fraction.value)
    // One bench tells nothing of the instrument.
    expect(some.shiftC).toBeNull()
    expect(some.rows.map(({ outlier }) => outlier)).toEqual([false, false])
  })

  test('nobody has anything yet', () => {
    const none = classResults(preparations[0]!.plan, [{ ...runs[0]!, entries: [] }])
    expect([none.medianResult, none.medianRecovery, none.shiftC]).toEqual([null, null, null])
  })
})
