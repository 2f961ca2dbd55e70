/** Drying, filtering, evaporating and melting on the demo preparations, with figures worked by hand. */
import { addStep } from '../edit/addStep'
import { defaultLab } from '../lab/lab'
import type { Lab } from '../lab/lab'
import { fieldsHere, planners } from './planners'
import { at, nothingMeasured } from '@/test-support/planned'
import { acetanilide, fractionation, isopentylAcetate, separation, trimyristin } from '@/test-support/plans'

describe('drying, filtering, evaporating', () => {
  test('the neutral in the ether decides which agent: sodium sulfate for fluorene', () => {
    expect(at(separation, 'dry-solution').advice('agent')!.words).toBe('sodium sulfate will do for fluorene.')
    expect(at(isopentylAcetate, 'dry-ester', { agent: 'potassium carbonate' }).advice('against')).toBeUndefined()
    expect(at(isopentylAcetate, 'dry-ester', { dropletsML: 5 }).advice('little')).toBeDefined()
  })
  test('the rinse of acetanilide: 4 mL at 5 °C, 0.246 g in 100 mL', () => {
    const { fact, filled } = at(acetanilide, 'filter-crystals')
    expect(filled.solubility).toBeCloseTo(0.246, 3)
    expect(fact('loss')).toBeCloseTo((4 * 0.246) / 100, 6)
    expect(at(acetanilide, 'filter', { rinseML: 100, solubility: 5 }).advice('rinse')).toBeDefined()
    expect(at(trimyristin, 'filter').advice('way')!.words).toContain('fluted paper')
  })
  test('ether is taken off without a flame, into a flask that was weighed', () => {
    const { advice } = at(trimyristin, 'evaporate')
    expect(advice('flame')!.level).toBe('danger')
    expect(at(trimyristin, 'evaporate', { tared: 'no' }).advice('tare')).toBeDefined()
    expect(at(trimyristin, 'evaporate', { bathC: 90 }).advice('room')).toBeDefined()
  })
})

describe('drying and melting the product', () => {
  const weighings = [5.2, 4.8, 4.6].map((massG, index) => ({ atMin: 10 * index, massG }))
  test('three weighings that halve their differences tend to 4.40 g', () => {
    const measured = { ...nothingMeasured, weighings: { dry: weighings } }
    const { fact, advice } = at(acetanilide, 'dry', {}, defaultLab, measured)
    expect(fact('end')).toBeCloseTo(4.4, 3)
    expect(advice('left')!.words).toContain('min more')
  })
  test('the same typed at the Desk; two that agree are dry; too hot is said', () => {
    expect(at(acetanilide, 'dry', { weighings }).fact('end')).toBeCloseTo(4.4, 3)
    expect(at(acetanilide, 'dry', { weighings: weighings.slice(0, 2) }).advice('more')).toBeDefined()
    expect(
      at(acetanilide, 'dry', {
        weighings: [
          { atMin: 0, massG: 4.4 },
          { atMin: 10, massG: 4.4 },
        ],
      }).advice('dry')!.level,
    ).toBe('good')
    expect(
      at(acetanilide, 'dry', { weighings: [...weighings].reverse().map(({ massG }, index) => ({ atMin: index, massG })) }).advice(
        'no-trend',
      ),
    ).toBeDefined()
    expect(at(acetanilide, 'dry', { ovenC: 110 }).advice('hot')!.level).toBe('danger')
  })
  const lab: Lab = {
    ...defaultLab,
    instruments: [
      {
        id: 'two',
        name: 'Two',
        checkedOn: '2026-09-14',
        standards: [
          { name: 'a', trueC: 80, readC: 88 },
          { name: 'b', trueC: 160, readC: 168 },
        ],
      },
    ],
  }
  test('an apparatus eight degrees high shows 123 for 115, and puts the reading right', () => {
    const { fact, advice } = at(acetanilide, 'melt', { onsetC: 121, clearC: 123, crudeOnset: 110, crudeClear: 118 }, lab)
    expect(fact('at')).toBeCloseTo(123, 6)
    expect(advice('reading')).toMatchObject({ level: 'good', words: '113.0–115.0 °C against 113–115 °C: consistent with pure.' })
    expect(advice('gain')!.words).toContain('6.0 °C sharper')
    expect(fieldsHere(planners.melt!, lab).find(({ key }) => key === 'instrument')).toMatchObject({
      ways: [{ value: 'two' }, { value: '' }],
    })
  })
  test('without standards, too fast, outside, mixed, impurity', () => {
    expect(at(acetanilide, 'melt').advice('uncalibrated')).toBeDefined()
    expect(at(acetanilide, 'melt', { perMin: 10 }).advice('fast')!.words).toContain('5.0 °C ahead')
    expect(at(acetanilide, 'melt', { lowC: 200, highC: 202 }, lab).advice('outside')).toBeDefined()
    expect(
      at(acetanilide, 'melt', { onsetC: 113, clearC: 115, mixedOnset: 100, mixedClear: 108 }).advice('mixed')!.words,
    ).toContain('another substance')
    expect(at(acetanilide, 'melt', { onsetC: 115, clearC: 113 }).advice('order')).toBeDefined()
    expect(at(acetanilide, 'melt', { onsetC: 108, clearC: 112, fusion: 20 }).fact('impurity')).toBeGreaterThan(0)
  })
})

test('tests and samples', () => {
  const { plan, id } = addStep(acetanilide, 'test', 'melt')
  const panel = at(plan, id, { tubes: [{ holds: 'sample', what: 'acetanilide', expect: 'negative' }] })
  expect(panel.report.advice.filter(({ id: each }) => each.startsWith('lacks'))).toHaveLength(2)
  expect(at(fractionation, 'send').fact('all')).toBe(16)
  expect(at(fractionation, 'send', { groups: 30 }).advice('slots')!.words).toContain('second tray')
})
