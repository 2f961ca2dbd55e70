import fc from 'fast-check'
import { mmHgPerKPa } from '../quantity/pressure'
import { defaultLab, pressureAs, pressureBounds, pressureMmHg, type Lab, type PressureWay } from './lab'
import { labSchema } from './labSchema'
import { schools } from './schools'

const apparatus: Lab['instruments'][number] = {
  id: 'one',
  name: 'Apparatus 1',
  checkedOn: '2026-09-14',
  standards: [{ name: 'benzoic acid', trueC: 122.4, readC: 123 }],
}
const refused = (lab: unknown) => {
  try {
    labSchema.validateSync(lab, { strict: true })
    return 'taken'
  } catch (error) {
    return (error as Error).message
  }
}

describe('what is said about a laboratory', () => {
  test('the default and every way of every school are taken', () => {
    expect(refused(defaultLab)).toBe('taken')
    for (const { setting, ways } of schools)
      for (const { value } of ways) expect(refused({ ...defaultLab, [setting]: value })).toBe('taken')
    expect(refused({ ...defaultLab, instruments: [apparatus] })).toBe('taken')
  })

  test.each<[string, unknown, string]>([
    ['a pressure of a mountain nobody works on', { ...defaultLab, pressure: { by: 'kPa', value: 20 } }, 'between 50 and 110 kPa'],
    [
      'an altitude above the highest laboratory',
      { ...defaultLab, pressure: { by: 'altitude', value: 9000 } },
      'between -450 and 5200 m',
    ],
    ['kPa meant as mmHg', { ...defaultLab, pressure: { by: 'mmHg', value: 101 } }, 'between 375 and 825 mmHg'],
    ['a unit that is none', { ...defaultLab, pressure: { by: 'feet', value: 100 } }, 'pressure.by'],
    ['a pressure in words', { ...defaultLab, pressure: { by: 'kPa', value: 'high' } }, 'number'],
    ['a school that is none', { ...defaultLab, gas: 'window' }, 'gas'],
    ['a threshold below sense', { ...defaultLab, simpleFromK: 5 }, 'Between 20 and 150'],
    ['an apparatus without a name', { ...defaultLab, instruments: [{ ...apparatus, name: ' ' }] }, 'has a name'],
    ['a day that is none', { ...defaultLab, instruments: [{ ...apparatus, checkedOn: 'last week' }] }, '2026-09-14'],
    [
      'a standard hotter than any',
      { ...defaultLab, instruments: [{ ...apparatus, standards: [{ name: 'x', trueC: 900, readC: 900 }] }] },
      'between',
    ],
    ['something more', { ...defaultLab, colour: 'green' }, 'colour'],
  ])('%s is refused', (_what, lab, why) => expect(refused(lab)).toContain(why))
})

describe('pressure', () => {
  test('101.325 kPa are 760 mmHg; 84.6 kPa 634 mmHg', () => {
    expect(101.325 * mmHgPerKPa).toBeCloseTo(760, 9)
    expect(pressureMmHg({ pressure: { by: 'kPa', value: 84.6 } })).toBeCloseTo(634.6, 0)
  })
  test('higher is thinner, and every way stays within the bounds of the others', () => {
    const metres = fc.integer({ min: pressureBounds.altitude.least, max: pressureBounds.altitude.most })
    fc.assert(
      fc.property(metres, metres, (a, b) => {
        const at = (value: number) => pressureMmHg({ pressure: { by: 'altitude', value } })
        if (a < b) expect(at(a)).toBeGreaterThan(at(b))
        expect(at(a)).toBeGreaterThan(pressureBounds.mmHg.least)
        expect(at(a)).toBeLessThan(pressureBounds.mmHg.most)
      }),
    )
  })
  test('said in another way it is the same: 84.56 kPa are 634.25 mmHg, and the air at 1500 m', () => {
    const mmHg = pressureMmHg({ pressure: { by: 'kPa', value: 84.56 } })
    expect(pressureAs('mmHg', mmHg)).toEqual({ by: 'mmHg', value: 634.25 })
    expect(pressureAs('altitude', mmHg).value).toBeCloseTo(1500, -1)
    expect(pressureAs('altitude', 760)).toEqual({ by: 'altitude', value: 0 })
    fc.assert(
      fc.property(fc.integer({ min: 5400, max: 10_600 }), (hundredths) => {
        const pressure = { by: 'kPa' as const, value: hundredths / 100 }
        const there = pressureAs('mmHg', pressureMmHg({ pressure }))
        expect(pressureAs('kPa', pressureMmHg({ pressure: there }))).toEqual(pressure)
        const above = pressureAs('altitude', pressureMmHg({ pressure }))
        expect(pressureMmHg({ pressure: above })).toBeCloseTo(pressureMmHg({ pressure }), 0)
      }),
    )
  })

  test('no way says more than it may', () => {
    expect(pressureAs('altitude', 825).value).toBe(-450)
    expect(pressureAs('altitude', 375).value).toBe(5200)
    expect(pressureAs('kPa', 826).value).toBe(110)
  })

  test.each(Object.keys(pressureBounds) as PressureWay[])('%s: the bounds stand in order', (by) =>
    expect(pressureBounds[by].least).toBeLessThan(pressureBounds[by].most),
  )
})

test('each school says why, and its ways differ', () => {
  for (const { question, ways } of schools) {
    expect(question).not.toBe('')
    expect(ways.length).toBeGreaterThan(1)
    expect(new Set(ways.map(({ value }) => value)).size).toBe(ways.length)
    for (const { why, words } of ways) {
      expect(why.length).toBeGreaterThan(15)
      expect(words).not.toBe('')
    }
  }
})
