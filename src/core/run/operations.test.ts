/** What a run writes for its operations: temperatures, portions, tubes, slots, and ranges put right. */
import { TestLog } from '@/test-support/entries'
import { acetanilide, fractionation } from '@/test-support/plans'
import { addStep } from '../edit/addStep'
import { runResults } from '../result/runResults'
import { askAbout } from './askAbout'
import { correctedRange } from '../measurements/melting'
import { besidesDue, dueIn } from './due'
import { entrySchema } from './entrySchema'
import { foldRun } from './foldRun'
import { measuredOf } from './measured'

const fold = (log: TestLog, plan = acetanilide) => foldRun(plan, 1, log.entries)
const state = (log: TestLog, id: string, plan = acetanilide) => fold(log, plan).steps.find(({ step }) => step.id === id)!

describe('hot solvent portion by portion', () => {
  const portioned = () => {
    const log = new TestLog()
    for (const mL of [60, 25, 13]) log.reading('crystallise', 'portion', mL, 0, {}, 'mL')
    return log
  }
  test('60, 25 and 13 mL make 98 mL once all has dissolved, each with its own uncertainty', () => {
    const log = portioned()
    expect(state(log, 'crystallise').net).toBeNull()
    log.press('crystallise', 'dissolved')
    const { net } = state(log, 'crystallise')
    expect(net!.figure.value).toBe(98)
    // √3·√(1/12 + 1) mL of 98
    expect(net!.figure.u * 98).toBeCloseTo(Math.sqrt(3 * (1 / 12 + 1) + 1 / 3), 9)
  })
  test('one portion asks for the next; a sum already written stands', () => {
    const log = new TestLog()
    expect(dueIn(state(log, 'crystallise'))).toMatchObject({ slot: 'volume' })
    expect(dueIn(state(log, 'crystallise'), 'portions')).toMatchObject({ slot: 'portion', label: 'Hot solvent, portion 1' })
    log.reading('crystallise', 'portion', 60, 0, {}, 'mL')
    expect(dueIn(state(log, 'crystallise'))).toMatchObject({ slot: 'portion', label: 'Hot solvent, portion 2' })
    log.reading('crystallise', 'volume', 98, 0, {}, 'mL')
    expect(state(log, 'crystallise').net!.figure.value).toBe(98)
    expect(dueIn(state(log, 'crystallise'))).toMatchObject({ kind: 'done' })
  })
  test('the planner hears of what was added so far, and of the crude that was weighed', () => {
    const log = portioned()
    log.reading('weigh-crude', 'tared', 0)
    log.reading('weigh-crude', 'net', 4.71)
    const measured = measuredOf(fold(log))
    expect(measured.usedML).toEqual({ crystallise: 98 })
    expect(measured.samples.crude).toBe(4.71)
  })
})

describe('temperatures', () => {
  test('are written from heat-on, and counted from the onset', () => {
    const log = new TestLog()
    expect(besidesDue(state(log, 'reflux'))).toEqual([])
    log.press('reflux', 'heat-on')
    expect(besidesDue(state(log, 'reflux'))).toMatchObject([
      { due: { label: 'Temperature, reading 1', unit: '°C' } },
      { slot: 'heater' },
    ])
    log.press('reflux', 'onset')
    for (const celsius of [117, 119]) log.reading('reflux', 'temperature', celsius, 0, {}, '°C')
    expect(measuredOf(fold(log)).temperatures.reflux).toEqual([
      { atMin: 1, celsius: 117 },
      { atMin: 2, celsius: 119 },
    ])
    expect(besidesDue(state(log, 'charge-aniline'))).toEqual([])
    expect(askAbout(fold(log), log.entries.at(-1)!)).toBeNull()
  })
  test('below zero is a temperature; below absolute reason, or a mass below zero, is refused', () => {
    const entry = (slot: string, value: number) => ({
      ...new TestLog().reading('cool', slot, value, 0, {}, '°C'),
      id: '01HZZZZZZZZZZZZZZZZZZZ0001',
    })
    expect(entrySchema(entry('temperature', -12)).body).toMatchObject({ value: -12 })
    expect(() => entrySchema(entry('temperature', -300))).toThrow('no reading of this bench')
    expect(() => entrySchema(entry('full', -1))).toThrow('cannot be negative')
  })
})

describe('a melting range on an apparatus with standards', () => {
  const instrument = { name: 'Apparatus 2', offsetC: -8, slope: 1 }
  const melted = (more: object = {}) => {
    const log = new TestLog()
    log.add('melt', 'melting', { onsetC: 121, clearC: 123, decimals: 1, ...more })
    return log
  }
  test('is put right by eight degrees; as read it would be something else', () => {
    expect(correctedRange({ onsetC: 121, clearC: 123, decimals: 1, instrument })).toEqual({ onsetC: 113, clearC: 115 })
    expect(runResults(fold(melted({ instrument }))).melting!.verdict).toBe('consistent with pure')
    expect(runResults(fold(melted())).melting!.verdict).toBe('sharp but high')
  })
  test('a slope stretches it: −2 + 1.02·100 = 100, −2 + 1.02·110 = 110.2', () => {
    const stretched = { name: 'Apparatus 3', offsetC: -2, slope: 1.02 }
    const { onsetC, clearC } = correctedRange({ onsetC: 100, clearC: 110, decimals: 1, instrument: stretched })
    expect([onsetC, clearC]).toEqual([expect.closeTo(100, 9), expect.closeTo(110.2, 9)])
  })
  test('what was read stays as it was, and the entry says by which line it is put right', () => {
    const entry = entrySchema(melted({ instrument }).entries[0])
    expect(entry.body).toMatchObject({ onsetC: 121, instrument })
    expect(() => entrySchema(melted({ instrument: { ...instrument, slope: 9 } }).entries[0])).toThrow('slope')
  })
})

test('weighings of a drying solid, in minutes from the first', () => {
  const log = new TestLog()
  log.reading('dry', 'empty', 31)
  for (const full of [35.2, 34.8]) log.reading('dry', 'full', full)
  const { weighings } = measuredOf(fold(log))
  expect(weighings.dry!.map(({ atMin }) => atMin)).toEqual([0, 1])
  expect(weighings.dry![0]!.massG).toBeCloseTo(4.2, 9)
})

test('a sample asks for its slot, a panel for its tubes', () => {
  const { plan, id } = addStep(fractionation, 'test', 'send')
  const log = new TestLog()
  expect(dueIn(state(log, 'send', plan))).toMatchObject({ kind: 'words', slot: 'sample slot' })
  expect(dueIn(state(log, id, plan))).toMatchObject({ kind: 'tubes' })
  log.add('send', 'note', { slot: 'sample slot', text: 'A3' })
  expect(dueIn(state(log, 'send', plan))).toMatchObject({ kind: 'done' })
  expect(entrySchema(log.entries[0]).kind).toBe('note')
  expect(() => entrySchema({ ...log.entries[0], body: { slot: 'sample slot', text: ' ' } })).toThrow('text')
  const tube = log.add(id, 'tube', { tube: '1 sample', event: 'start' })
  expect(entrySchema(tube).kind).toBe('tube')
  expect(() => entrySchema({ ...tube, body: { tube: '1 sample', event: 'explodes' } })).toThrow('event')
})

describe('a distillation', () => {
  const heads = (pairs: [number, number][]) => {
    const log = new TestLog()
    for (const [volumeML, headC] of pairs) log.add('distil-light', 'head', { volumeML, volumeDecimals: 1, headC, decimals: 1 })
    return log
  }
  test('asks for the first drop, then for volume and head, until the last drop is in', () => {
    expect(dueIn(state(new TestLog(), 'distil-light', fractionation))).toMatchObject({ kind: 'head', first: true })
    const log = heads([[0, 80.5]])
    expect(dueIn(state(log, 'distil-light', fractionation))).toMatchObject({ first: false, label: 'Head, reading 2' })
    expect(besidesDue(state(log, 'distil-light', fractionation))).toMatchObject([
      { slot: 'heater', due: { unit: '' } },
      { slot: 'pressure', due: { unit: 'mmHg' } },
    ])
    log.done('distil-light')
    expect(state(log, 'distil-light', fractionation).status).toBe('done')
  })
  test('a receiver that grows emptier and a head that nothing boils at are asked about', () => {
    const log = heads([
      [0, 80.5],
      [12, 81],
    ])
    const asked = (volumeML: number, headC: number) => {
      const next = heads([
        [0, 0],
        [0, 0],
        [volumeML, headC],
      ]).entries[2]!
      return askAbout(fold(log, fractionation), next)
    }
    expect(asked(14, 81.5)).toBeNull()
    expect(asked(4, 81.5)).toContain('12.0 mL in the receiver already')
    expect(asked(14, 181.5)).toContain('Nothing in this plan boils above 111 °C')
  })
  test('readings and a widened window reach the planner', () => {
    const log = heads([
      [0, 80.5],
      [2, 81],
    ])
    log.add('distil-light', 'window', { lowC: 78, highC: 86 }, { reason: 'the head stands still at 85' })
    const measured = measuredOf(fold(log, fractionation))
    expect(measured.heads['distil-light']).toEqual([
      { volumeML: 0, headC: 80.5 },
      { volumeML: 2, headC: 81 },
    ])
    expect(measured.windows).toEqual({ 'distil-light': { lowC: 78, highC: 86 } })
  })
  test('entries are checked: a volume is not negative, a window ends above its beginning and has its reason', () => {
    const [head] = heads([[2, 81]]).entries
    expect(entrySchema(head).kind).toBe('head')
    expect(() => entrySchema({ ...head, body: { ...head!.body, volumeML: -2 } })).toThrow('volumeML')
    const window = { ...head!, kind: 'window', body: { lowC: 78, highC: 86 } }
    expect(() => entrySchema(window)).toThrow('needs a reason')
    expect(entrySchema({ ...window, reason: 'the head stands still' }).kind).toBe('window')
    expect(() => entrySchema({ ...window, body: { lowC: 86, highC: 78 }, reason: 'x' })).toThrow('ends above')
  })
  test('the setting of a heater has no unit', () => {
    const entry = heads([]).reading('reflux', 'heater', 4, 0, {}, '')
    expect(entrySchema(entry).body).toMatchObject({ unit: '', value: 4 })
    expect(askAbout(fold(new TestLog()), entry)).toBeNull()
  })
})
