/** What the pad of a bench asks in each step, what it doubts, and what comes of the readings. */
import { acetanilide } from '@/test-support/plans'
import { makeStep } from '../operations/makeStep'
import { measurementIn } from '../operations/readings'
import type { OperationKey } from '../operations/registry'
import type { Step } from '../plan/plan'
import { exact } from '../quantity/figure'
import { writeFigureText } from '../quantity/write'
import { asWords } from '../words/words'
import { agreementOf, lastTwoAgree } from './agreement'
import { besides } from './besides'
import { boilingRange } from './boiling'
import { over, type Due, type PairDue } from './due'
import type { Expected, Standing } from './measurement'
import { aboveAllThereIs, farFromPlan, usuallyDiffers } from './odd'
import { read, readability, readingsIn } from './numbers'
import { labelOf } from './registry'
import { titresOf } from './titre'

const stepOf = (key: OperationKey, more: object = {}): Step =>
  ({ ...makeStep(key, { id: 'x', title: asWords('It') }, acetanilide), ...more }) as Step

let next = 0
const entry = (kind: string, body: object): Standing => ({
  id: String(++next),
  kind,
  body,
  at: `2026-11-25T10:${String(next % 60).padStart(2, '0')}:00Z`,
  supersedes: null,
})
const reading = (slot: string, value: number, more: object = {}) =>
  entry('reading', { slot, value, unit: 'g', decimals: 2, ...more })
const pressed = (mark: string) => entry('press', { mark })

const due = (step: Step, standing: Standing[] = [], way?: string) => measurementIn(step).due({ step, standing }, way)
const net = (step: Step, standing: Standing[]) => measurementIn(step).net!({ step, standing })
const asks = (step: Step, standing: Standing[], expected: Expected = {}) =>
  measurementIn(step).question!(standing.at(-1)!, { step, standing }, expected)
const isOver = (step: Step, standing: Standing[]) =>
  measurementIn(step).isOver!({ step, standing }, measurementIn(step).net?.({ step, standing }) ?? null)

describe('a mass', () => {
  const charge = stepOf('charge', {
    measure: 'mass',
    device: 'balance-0.01',
    container: 'vial',
    weighing: ['tare', 'difference'],
  })
  const weigh = stepOf('weigh', { container: 'watch glass' })
  const by = (method: string, closure?: string) => ({ weighing: { method, ...(closure ? { closure } : {}) } })

  test('is tared, then read', () => {
    expect(due(charge)).toEqual({
      kind: 'tare',
      label: 'Vial on, tared',
      hint: 'Balance at zero with the container on the pan.',
      decimals: 2,
    })
    const tared = reading('tared', 0, by('tare'))
    expect(due(charge, [tared])).toEqual({
      kind: 'reading',
      slot: 'net',
      label: 'What the balance shows now',
      hint: 'Only what is in the vial.',
      unit: 'g',
      decimals: 2,
      weighing: 'tare',
    })
    expect(net(charge, [tared])).toBeNull()
    expect(isOver(charge, [tared])).toBe(false)
    expect(net(charge, [tared, reading('net', 2)])).toMatchObject({ dimension: 'mass', figure: { value: 2 } })
    expect(isOver(charge, [tared, reading('net', 2)])).toBe(true)
  })
  test('or is the difference, out of its container when it is charged, into one when it came out', () => {
    expect(due(charge, [], 'difference')).toMatchObject({
      slot: 'full',
      label: 'Vial, with contents',
      hint: 'Say whether its cap is on.',
    })
    expect(due(weigh, [], 'difference')).toMatchObject({ slot: 'empty', label: 'Watch glass, empty', asksClosure: true })
    const full = reading('full', 27.5, by('difference', 'with cap'))
    // What was begun goes on, whatever is chosen now.
    expect(due(charge, [full], 'tare')).toMatchObject({ slot: 'empty', label: 'Vial, empty', hint: 'With cap, as before.' })
    const empty = reading('empty', 24.25, { ...by('difference', 'without cap'), decimals: 3 })
    const found = net(charge, [full, empty])!
    expect(writeFigureText(found.figure, 'mass')).toBe('3.25 g')
    expect(found.doubt).toBe('The container stood on the balance with cap, then without cap: its cap is in the difference.')
    expect(net(charge, [full, reading('empty', 24.25, by('difference'))])!.doubt).toBeUndefined()
    expect(net(charge, [full, reading('empty', 24.25, by('difference', 'with cap'))])!.doubt).toBeUndefined()
    expect(asks(charge, [full, empty])).toMatch(/^The container stood .* Weigh it in the same state both times\.$/)
    expect(asks(weigh, [full, empty])).toBeNull()
  })
  test('is asked about where the readings are swapped, far from the plan, or more than there is', () => {
    const tared = reading('tared', 0, by('tare'))
    const shows = (value: number) => [tared, reading('net', value)]
    expect(asks(charge, shows(0))).toMatch(/swapped/)
    expect(asks(charge, shows(0.01))).toBeNull()
    expect(asks(charge, shows(9), { planned: exact(3) })).toMatch(/9.00 g is 3.0 times the plan’s 3 g/)
    expect(asks(charge, shows(8.9), { planned: exact(3) })).toBeNull()
    const most = { figure: exact(4), of: 'the theoretical' as const }
    expect(asks(stepOf('weigh', { dry: true }), shows(4.01), { most })).toMatch(/100 % of the theoretical 4.* Is it dry/)
    expect(asks(stepOf('weigh', { dry: true }), shows(4), { most })).toBeNull()
    // What is still damp may weigh more.
    expect(asks(weigh, shows(12), { most })).toBeNull()
    expect(asks(weigh, shows(12.1), { most })).toMatch(/Is the point in the right place/)
    expect(asks(charge, [...shows(9), reading('temperature', 20)], { planned: exact(3) })).toBeNull()
    expect(asks(charge, [...shows(9), entry('done', {})], { planned: exact(3) })).toBeNull()
  })
  test('the container is called as its step calls it', () => {
    const said = (slot: string, closure?: string) =>
      labelOf(
        {
          kind: 'reading',
          body: { slot, value: 1, unit: 'g', decimals: 2, ...(closure ? by('difference', closure) : {}) },
          reason: null,
        },
        charge,
      )
    expect(['full', 'empty', 'tared', 'net'].map((slot) => said(slot))).toEqual([
      'Vial with contents',
      'Vial empty',
      'Vial on, tared',
      'Shown after taring',
    ])
    expect(said('full', 'with cap')).toBe('Vial with contents, with cap')
    expect(labelOf({ kind: 'reading', body: { slot: 'volume', value: 1, unit: 'mL', decimals: 1 }, reason: null }, charge)).toBe(
      'Volume',
    )
    expect(
      labelOf(
        { kind: 'reading', body: { slot: 'volume', value: 1, unit: 'mL', decimals: 1 }, reason: null },
        stepOf('crystallise'),
      ),
    ).toBe('Hot solvent used')
    expect(labelOf({ kind: 'reading', body: { slot: 'heater', value: 4, unit: '', decimals: 0 }, reason: null }, charge)).toBe(
      'Setting of the heater',
    )
  })
})

describe('constant mass', () => {
  const dry = stepOf('dry', { container: 'watch glass', agreement: 0.005, device: 'balance-0.01' })
  const empty = reading('empty', 31.2)
  test('is weighed empty, then until two agree, and can be stopped after the first', () => {
    expect(due(dry)).toMatchObject({
      slot: 'empty',
      label: 'Watch glass, empty',
      hint: 'Before the solid goes on it.',
      decimals: 2,
    })
    const first = due(dry, [empty]) as Due & { kind: 'reading' }
    expect(first).toMatchObject({ slot: 'full', label: 'Watch glass with solid, weighing 1', hint: '' })
    expect(first.also).toBeUndefined()
    const second = due(dry, [empty, reading('full', 34)]) as Due & { kind: 'reading' }
    expect(second).toMatchObject({
      label: 'Watch glass with solid, weighing 2',
      hint: 'Ten more minutes of drying, cool, then weigh again.',
      also: [{ label: 'Stop drying here', warns: { keep: 'Stop, and mark it wet' } }],
    })
  })
  test('the net mass is the last one, with each before it', () => {
    const standing = [empty, reading('full', 34), reading('full', 33.9)]
    expect(net(dry, standing)).toMatchObject({ agreed: false, figure: { value: 2.7 } })
    expect(net(dry, standing)!.series!.map(({ massG }) => Number(massG.toFixed(9)))).toEqual([2.8, 2.7])
    expect(isOver(dry, standing)).toBe(false)
    expect(isOver(dry, [...standing, reading('full', 33.9)])).toBe(true)
    expect(net(dry, [empty])).toBeNull()
    expect(net(dry, [reading('full', 34)])).toBeNull()
  })
  test('what weighs more than there can be is asked about', () => {
    const most = { figure: exact(2.8), of: 'what was put in' as const }
    expect(asks(dry, [empty, reading('full', 34)], { most })).toBeNull()
    expect(asks(dry, [empty, reading('full', 34.02)], { most })).toMatch(/101 % of the 2.8.* g put in. Is it dry/)
    expect(asks(dry, [empty, reading('full', 31.2)], {})).toMatch(/swapped/)
    expect(asks(dry, [empty, reading('full', 34.02), entry('observation', { text: 'x' })], { most })).toBeNull()
  })
  test('two masses agree within the share or twice the readability, whichever is more', () => {
    expect(agreementOf(10, 0.005, 0.01)).toBe(0.05)
    expect(agreementOf(1, 0.005, 0.01)).toBe(0.02)
    expect(lastTwoAgree([1.02, 1], 0.005, 0.01)).toBe(true)
    expect(lastTwoAgree([1.021, 1], 0.005, 0.01)).toBe(false)
    expect(lastTwoAgree([1], 0.005, 0.01)).toBe(false)
  })
})

describe('volumes', () => {
  const charge = stepOf('charge', { measure: 'volume', device: 'cylinder-10', container: 'measuring cylinder' })
  const crystallise = stepOf('crystallise', { device: 'cylinder-100', until: undefined })
  const mL = (slot: string, value: number, decimals = 1) => reading(slot, value, { unit: 'mL', decimals })
  test('one reading of what is charged', () => {
    expect(due(charge)).toMatchObject({ slot: 'volume', label: 'Volume of measuring cylinder', unit: 'mL' })
    expect(isOver(charge, [])).toBe(false)
    expect(isOver(charge, [mL('volume', 3.2)])).toBe(true)
    expect(asks(charge, [mL('volume', 0)])).toMatch(/Nothing was charged/)
    expect(asks(charge, [mL('volume', 0.1)])).toBeNull()
    expect(asks(charge, [mL('volume', 32)], { planned: exact(3.2) })).toMatch(/32.0 mL is 10 times/)
    expect(asks(charge, [mL('volume', 32), mL('temperature', 20)], { planned: exact(3.2) })).toBeNull()
    expect(asks(charge, [mL('volume', 32), entry('done', {})], { planned: exact(3.2) })).toBeNull()
  })
  test('hot solvent at once, or portion by portion until all of it has dissolved', () => {
    expect(due(crystallise)).toMatchObject({ slot: 'volume', label: 'Hot solvent used, in all' })
    const first = due(crystallise, [], 'portions') as Due & { kind: 'reading' }
    expect(first).toMatchObject({ slot: 'portion', label: 'Hot solvent, portion 1' })
    expect(first.also).toBeUndefined()
    const portions = [mL('portion', 10), mL('portion', 5.25, 2)]
    expect(due(crystallise, portions)).toMatchObject({
      label: 'Hot solvent, portion 3',
      also: [{ label: 'All of it has dissolved', mark: 'dissolved' }],
    })
    expect(net(crystallise, portions)).toBeNull()
    expect(writeFigureText(net(crystallise, [...portions, pressed('dissolved')])!.figure, 'volume')).toBe('15.3 mL')
    expect(net(crystallise, [pressed('dissolved')])).toBeNull()
    expect(net(crystallise, [mL('portion', 10), pressed('start')])).toBeNull()
    expect(due(crystallise, [mL('volume', 80)])).toEqual({ kind: 'done', label: 'Crystals are out', hint: '' })
    expect(asks(crystallise, [mL('volume', 0)])).toMatch(/No hot solvent at all/)
    expect(asks(crystallise, [mL('volume', 0.1)])).toBeNull()
    expect(asks(crystallise, [mL('portion', 5)])).toBeNull()
  })
})

describe('clocks', () => {
  test('a hold is started and said to be over', () => {
    const hold = stepOf('heat', { holdMin: 45 })
    expect(due(hold)).toEqual({ kind: 'press', mark: 'start', label: 'Start the clock', hint: '45 min' })
    const started = [pressed('start')]
    expect(due(hold, started)).toMatchObject({ kind: 'done', label: 'It is over', ends: true })
    expect(measurementIn(hold).clock!({ step: hold, standing: [] })).toBeNull()
    expect(measurementIn(hold).clock!({ step: hold, standing: started })).toMatchObject({ label: 'left: it', minutes: 45 })
  })
  test('a reflux counts from its onset, and the last press ends it', () => {
    const reflux = stepOf('reflux', { holdMin: 20 })
    const clock = (standing: Standing[]) => measurementIn(reflux).clock!({ step: reflux, standing })
    expect(due(reflux)).toMatchObject({ mark: 'heat-on' })
    expect(clock([])).toBeNull()
    const hot = [pressed('heat-on')]
    expect(due(reflux, hot)).toMatchObject({
      mark: 'onset',
      hint: expect.stringContaining('The 20 min count from here') as string,
    })
    expect(clock(hot)).toMatchObject({ label: 'heat on, no reflux yet', minutes: null })
    const boils = [...hot, pressed('onset')]
    expect(due(reflux, boils)).toMatchObject({
      mark: 'heat-off',
      ends: true,
      hint: expect.stringContaining('After 20 min') as string,
    })
    expect(clock(boils)).toMatchObject({ label: 'left under reflux', minutes: 20, from: boils[1]!.at })
    expect(isOver(reflux, boils)).toBe(false)
    expect(isOver(reflux, [...boils, pressed('heat-off')])).toBe(true)
  })
})

describe('two numbers', () => {
  const pair = (key: OperationKey, more: object = {}) => due(stepOf(key, more)) as PairDue
  const value = (of: number, decimals = 1) => ({ value: of, decimals })
  test('a melting range, corrected where its apparatus has standards', () => {
    const melt = pair('melt', { device: 'melting-0.1' })
    expect(melt).toMatchObject({ entry: 'melting', apparatus: true, faces: [{ decimals: 1 }, { decimals: 1 }] })
    expect(melt.problem(value(115), value(114.9))).toMatch(/clear must be at or above onset/)
    expect(melt.problem(value(115), value(115))).toBeUndefined()
    expect(melt.body(value(113, 0), value(114.5), { mmHg: 760 })).toEqual({ onsetC: 113, clearC: 114.5, decimals: 1 })
    const instrument = { name: 'block', offsetC: -1, slope: 1.01 }
    expect(melt.body(value(113), value(114), { mmHg: 760, instrument })).toEqual({
      onsetC: 113,
      clearC: 114,
      decimals: 1,
      instrument,
    })
    expect(labelOf({ kind: 'melting', body: { onsetC: 1, clearC: 2, decimals: 0 }, reason: null }, stepOf('melt'))).toBe(
      'Melting range',
    )
  })
  test('a melting range far from the literature is asked about, from both sides', () => {
    const melt = stepOf('melt')
    const range = (onsetC: number, clearC: number) => [entry('melting', { onsetC, clearC, decimals: 1 })]
    const melting = { lowC: 113, highC: 115 }
    expect(asks(melt, range(90, 93), { melting })).toBeNull()
    expect(asks(melt, range(90, 92.9), { melting })).toMatch(/The literature says 113–115 °C. Is 90.0–92.9 °C what you saw/)
    expect(asks(melt, range(135, 136), { melting })).toBeNull()
    expect(asks(melt, range(135.1, 136), { melting })).not.toBeNull()
    expect(asks(melt, range(10, 12))).toBeNull()
    expect(asks(melt, [...range(10, 12), entry('done', {})], { melting })).toBeNull()
  })
  test('a boiling range with the pressure of the laboratory', () => {
    const boil = pair('boil')
    expect(boil).toMatchObject({ entry: 'boiling', faces: [{ decimals: 1 }, { decimals: 1 }] })
    expect(boil.apparatus).toBeUndefined()
    expect(boil.problem(value(142), value(141.9))).toMatch(/at or above where it begins/)
    expect(boil.problem(value(142), value(142))).toBeUndefined()
    expect(boil.body(value(141, 0), value(142), { mmHg: 752 })).toEqual({ lowC: 141, highC: 142, decimals: 1, mmHg: 752 })
    expect(due(stepOf('boil'), [entry('boiling', {})])).toMatchObject({ kind: 'done' })
  })
  test('an index and the temperature of the prism', () => {
    const refract = pair('refract')
    expect(refract).toMatchObject({ entry: 'refraction', faces: [{ decimals: 4 }, { decimals: 1 }] })
    for (const [index, fits] of [
      [1.2, true],
      [1.9, true],
      [1.1999, false],
      [1.9001, false],
    ] as const)
      expect(refract.problem(value(index, 4), value(20)) === undefined).toBe(fits)
    expect(refract.body(value(1.4003, 4), value(22), { mmHg: 760 })).toEqual({ index: 1.4003, decimals: 4, atC: 22 })
    expect(due(stepOf('refract'), [entry('refraction', {})])).toMatchObject({ kind: 'done' })
  })
})

describe('other readings', () => {
  test('a head rises with the receiver, and not beyond what boils last', () => {
    const distil = stepOf('distil')
    const at = (volumeML: number, headC: number) => entry('head', { volumeML, volumeDecimals: 1, headC, decimals: 1 })
    expect(due(distil)).toMatchObject({ first: true, label: 'First drop' })
    expect(due(distil, [at(0, 80)])).toMatchObject({ first: false, label: 'Head, reading 2' })
    expect(asks(distil, [at(5, 80), at(5, 81)])).toBeNull()
    expect(asks(distil, [at(5, 80), at(4.9, 81)])).toMatch(/There were 5.0 mL .* Is 4.9 mL right/)
    expect(asks(distil, [at(5, 131)], { hottestC: 111 })).toBeNull()
    expect(asks(distil, [at(5, 131.1)], { hottestC: 111 })).toMatch(/Nothing in this plan boils above 111 °C/)
    expect(asks(distil, [at(5, 131.1)])).toBeNull()
    expect(asks(distil, [at(5, 80), entry('window', {})], { hottestC: 20 })).toBeNull()
  })
  test('pH until it is set', () => {
    const set = stepOf('set-ph', { until: undefined })
    const first = due(set) as Due & { kind: 'reading' }
    expect(first).toMatchObject({
      slot: 'pH',
      label: 'pH, reading 1',
      decimals: 1,
      hint: 'After each portion, when it no longer changes.',
    })
    expect(first.also).toBeUndefined()
    expect(due({ ...set, until: asWords('it is 7') }, [reading('pH', 6.8)])).toMatchObject({
      label: 'pH, reading 2',
      hint: 'Until it is 7.',
      also: [{ label: 'It is set' }],
    })
    expect(due({ ...set, until: asWords('') })).toMatchObject({ hint: 'After each portion, when it no longer changes.' })
  })
  test('titrations by pairs of readings, until there are enough', () => {
    const titrate = stepOf('titrate')
    const one = [reading('burette before', 0.1), reading('burette after', 12.35)]
    const first = due(titrate) as Due & { kind: 'reading' }
    expect(first).toMatchObject({ slot: 'burette before', label: 'Burette before, titration 1', decimals: 2 })
    expect(first.also).toBeUndefined()
    expect(due(titrate, one.slice(0, 1))).toMatchObject({ slot: 'burette after', label: 'Burette after, titration 1' })
    expect((due(titrate, one.slice(0, 1)) as Due).also).toBeUndefined()
    expect(due(titrate, one)).toMatchObject({ label: 'Burette before, titration 2', also: [{ label: 'No further titration' }] })
    expect((due(titrate, [...one, reading('burette before', 0)]) as Due).also).toBeUndefined()
    expect(titresOf([...one, reading('burette before', 1)])).toEqual([12.25])
    expect(asks(titrate, one)).toBeNull()
    expect(asks(titrate, [reading('burette before', 12), reading('burette after', 12)])).toMatch(/swapped/)
    expect(asks(titrate, [reading('burette before', 12), reading('burette after', 12.1)])).toBeNull()
    expect(asks(titrate, one.slice(0, 1))).toBeNull()
    expect(asks(titrate, [reading('burette after', 3)])).toBeNull()
    expect(asks(titrate, [entry('done', {})])).toBeNull()
  })
  test('the flask, the plate, the slot, the tubes', () => {
    expect(due(stepOf('make-up'))).toMatchObject({ slot: 'flask', unit: 'mL', decimals: 0 })
    expect(due(stepOf('make-up'), [reading('flask', 100)])).toMatchObject({ kind: 'done' })
    expect(due(stepOf('thin-layer'))).toMatchObject({ kind: 'spots' })
    expect(due(stepOf('thin-layer'), [entry('spots', {})])).toMatchObject({ kind: 'done' })
    expect(due(stepOf('send'))).toMatchObject({ kind: 'words', slot: 'sample slot' })
    expect(due(stepOf('send'), [entry('note', {})])).toMatchObject({ kind: 'done' })
    expect(due(stepOf('test'))).toMatchObject({ kind: 'tubes' })
  })
  test('what is read, checked or ticked', () => {
    expect(due(stepOf('safety'))).toMatchObject({ label: 'We have read this' })
    expect(due(stepOf('assemble', { checks: ['a', 'b'] }))).toMatchObject({ label: 'All of it checked', checks: ['a', 'b'] })
    expect(due(stepOf('filter', { until: asWords('the cake is dry') }))).toEqual({
      kind: 'done',
      label: 'Done',
      hint: 'It is over the cake is dry.',
    })
    expect([over(undefined).hint, over(asWords('')).hint]).toEqual(['', ''])
  })
  test('besides, a temperature and the heater', () => {
    const standing = [reading('temperature', 90)]
    expect(besides.temperature.due(standing)).toMatchObject({ label: 'Temperature, reading 2', unit: '°C', decimals: 0 })
    expect(besides.pressure.due(standing)).toMatchObject({ label: 'Pressure, reading 1', unit: 'mmHg', decimals: 0 })
    expect(besides.heater.due(standing)).toMatchObject({ slot: 'heater', unit: '', decimals: 0 })
  })
})

describe('figures', () => {
  test('are odd beyond three times or a third', () => {
    const far = (value: number, planned: number) => farFromPlan({ dimension: 'mass', figure: exact(value) }, exact(planned))
    expect(far(2.99, 1)).toBeNull()
    expect(far(3, 1)).toContain('3.0 times')
    expect(far(1.01, 3)).toBeNull()
    expect(far(1, 3)).toContain('is 1/3 of')
    expect(far(1, 10)).toContain('a tenth of')
    expect(far(1, 15)).toContain('is 1/15 of')
    expect(far(10, 1)).toContain('10 times')
    expect(far(14.2, 1)).toContain('14 times')
    expect(far(1, 6.5)).toContain('is 1/7 of')
  })
  test('of another unit are off by a thousand', () => {
    const far = (value: number, planned: number, dimension: 'mass' | 'volume' = 'mass') =>
      farFromPlan({ dimension, figure: exact(value) }, exact(planned))
    expect(far(4100, 4)).toContain('Was it read in mg?')
    expect(far(0.0041, 4)).toContain('Was it read in kg?')
    expect(far(4100, 4, 'volume')).toContain('Was it read in µL?')
    expect(far(0.0041, 4, 'volume')).toContain('Was it read in L?')
    expect(far(700, 1)).toContain('Is the point in the right place?')
    expect(far(720, 1)).toContain('mg')
  })
  test('are odd beyond what the plan allows, and what their own uncertainty explains', () => {
    const far = (value: number, allowed: number, u = 0) =>
      farFromPlan({ dimension: 'mass', figure: { ...exact(value), u } }, exact(4), allowed)
    expect(far(5, 0.25)).toBeNull()
    expect(far(5.01, 0.25)).toBe('5.01 g is 25 % more than the plan’s 4 g. Is it what went in?')
    expect(far(3, 0.25)).toBeNull()
    expect(far(2.9, 0.25)).toContain('28 % less')
    expect(far(5.04, 0.25, 0.02)).toBeNull()
    expect(far(5.5, 0.5)).toBeNull()
    expect([
      usuallyDiffers({ role: 'reactant' }),
      usuallyDiffers({ role: 'material' }),
      usuallyDiffers({ role: 'solvent' }),
    ]).toEqual([0.25, 0.25, 2])
  })
  test('of a boiling range are odd where nothing in the plan boils near them', () => {
    const asks = (lowC: number, highC: number, mmHg: number | undefined) =>
      boilingRange.question!(
        entry('boiling', { lowC, highC, decimals: 0, ...(mmHg ? { mmHg } : {}) }),
        { step: stepOf('boil'), standing: [] },
        {
          boiling: [
            { name: 'cyclohexane', lowC: 80.7, highC: 80.7 },
            { name: 'toluene', lowC: 110.6, highC: 110.6 },
          ],
        },
      )
    expect(asks(79, 81, 760)).toBeNull()
    expect(asks(125, 126, 760)).toBeNull()
    expect(asks(126, 127, 760)).toContain('Nearest in this plan boils toluene, at 111–111 °C')
    expect(asks(62, 65, 760)).toContain('cyclohexane')
    // 40 mmHg less take 1.8 K off.
    expect(asks(124, 126, 720)).toContain('toluene')
    expect(
      boilingRange.question!(entry('boiling', { lowC: 20, highC: 21, decimals: 0 }), { step: stepOf('boil'), standing: [] }, {}),
    ).toBeNull()
  })
  test('are above all there is only beyond the limit', () => {
    const found = { dimension: 'mass' as const, figure: exact(4) }
    expect(aboveAllThereIs(found, { figure: exact(4), of: 'the theoretical' }, 1)).toBeNull()
    expect(aboveAllThereIs(found, { figure: exact(1), of: 'the theoretical' }, 3)).toContain('Is the point in the right place?')
    expect(aboveAllThereIs({ ...found, figure: exact(3) }, { figure: exact(1), of: 'the theoretical' }, 1)).toContain('Is it dry')
  })
  test('carry the uncertainty of their device', () => {
    expect(readability('balance-0.001')).toBe(0.001)
    expect(readability('none such')).toBe(0.01)
    expect(read(2, 2, 'balance-0.01').u).toBeGreaterThan(0)
    expect(read(2, 2, 'balance-0.01', 2).u).toBeCloseTo(read(2, 2, 'balance-0.01').u * Math.SQRT2, 12)
    expect(read(0, 2, 'balance-0.01').u).toBe(0)
    expect(read(2, 2, 'none such').u).toBe(0)
    expect(read(0.1 + 0.2, 2, 'balance-0.01').value).toBe(0.3)
    expect(readingsIn([reading('full', 1), entry('done', { slot: 'full' })], 'full')).toHaveLength(1)
  })
})
