/** What a run writes for its operations: temperatures, portions, tubes, slots, and ranges put right. */
import { TestLog } from '@/test-support/entries'
import { acetanilide, fractionation } from '@/test-support/plans'
import { addStep } from '../plan/editPlan'
import { runResults } from '../result/runResults'
import { askAbout } from './askAbout'
import { correctedRange } from './correctedRange'
import { dueIn, temperatureDue } from './due'
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
    expect(net!.figure.u * 98).toBeCloseTo(Math.sqrt(3 * (1 / 12 + 1)), 9)
  })
  test('one portion asks for the next; a sum already written stands', () => {
    const log = new TestLog()
    expect(dueIn(state(log, 'crystallise'))).toMatchObject({ slot: 'volume' })
    expect(dueIn(state(log, 'crystallise'), undefined, true)).toMatchObject({ slot: 'portion', label: 'Hot solvent, portion 1' })
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
    expect(temperatureDue(state(log, 'reflux'))).toBeNull()
    log.press('reflux', 'heat-on')
    expect(temperatureDue(state(log, 'reflux'))).toMatchObject({ label: 'Temperature, reading 1', unit: '°C' })
    log.press('reflux', 'onset')
    for (const celsius of [117, 119]) log.reading('reflux', 'temperature', celsius, 0, {}, '°C')
    expect(measuredOf(fold(log)).temperatures.reflux).toEqual([
      { atMin: 1, celsius: 117 },
      { atMin: 2, celsius: 119 },
    ])
    expect(temperatureDue(state(log, 'charge-aniline'))).toBeNull()
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
  expect(dueIn(state(log, 'send', plan))).toMatchObject({ kind: 'note', slot: 'sample slot' })
  expect(dueIn(state(log, id, plan))).toMatchObject({ kind: 'tubes' })
  log.add('send', 'note', { slot: 'sample slot', text: 'A3' })
  expect(dueIn(state(log, 'send', plan))).toMatchObject({ kind: 'done' })
  expect(entrySchema(log.entries[0]).kind).toBe('note')
  expect(() => entrySchema({ ...log.entries[0], body: { slot: 'sample slot', text: ' ' } })).toThrow('text')
  const tube = log.add(id, 'tube', { tube: '1 sample', event: 'start' })
  expect(entrySchema(tube).kind).toBe('tube')
  expect(() => entrySchema({ ...tube, body: { tube: '1 sample', event: 'explodes' } })).toThrow('event')
})
