import fc from 'fast-check'
import { figuresIn, minutesOf } from './figures'
import { plainSigns } from './span'

const read = (text: string) =>
  figuresIn(plainSigns(text)).map(({ kind, low, high, unit, times, bound, basis, about, twoWays }) => ({
    kind,
    low,
    high,
    unit,
    ...(times ? { times } : {}),
    ...(bound ? { bound } : {}),
    ...(basis ? { basis } : {}),
    ...(about ? { about } : {}),
    ...(twoWays ? { twoWays } : {}),
  }))
const one = (kind: string, low: number, unit: string, more: object = {}) => ({ kind, low, high: low, unit, ...more })

test.each<[string, object[]]>([
  ['4.0 g', [one('mass', 4, 'g')]],
  ['2,5 ml', [one('volume', 2.5, 'mL')]],
  ['1,500 mg', [one('mass', 1.5, 'mg', { twoWays: true })]],
  ['14 cm³', [one('volume', 14, 'mL')]],
  ['20 cc of it', [one('volume', 20, 'mL')]],
  ['½ L', [one('volume', 0.5, 'L')]],
  ['1 1/2 h', [one('time', 1.5, 'h')]],
  ['44 mmol', [one('amount', 44, 'mmol')]],
  ['1.2 equiv', [one('equivalents', 1.2, 'equiv')]],
  ['5 mol %', [one('mol percent', 5, '%')]],
  ['3 x 20 mL', [one('volume', 20, 'mL', { times: 3 })]],
  ['3 × 20 mL', [one('volume', 20, 'mL', { times: 3 })]],
  ['three 20 mL portions', [one('volume', 20, 'mL', { times: 3 })]],
  ['two 5-mL portions', [one('volume', 5, 'mL', { times: 2 })]],
  ['two portions of 10 mL', [one('volume', 10, 'mL', { times: 2 })]],
  ['twice with 10 mL', [one('volume', 10, 'mL', { times: 2 })]],
  ['three times with 15 mL', [one('volume', 15, 'mL', { times: 3 })]],
  ['135–143 °C', [{ kind: 'temperature', low: 135, high: 143, unit: '°C' }]],
  ['between 135 and 143 °C', [{ kind: 'temperature', low: 135, high: 143, unit: '°C' }]],
  ['between 137 °C and 143 °C', [{ kind: 'temperature', low: 137, high: 143, unit: '°C' }]],
  ['from 85 to 105 degC', [{ kind: 'temperature', low: 85, high: 105, unit: '°C' }]],
  ['below 5 °C', [one('temperature', 5, '°C', { bound: 'below' })]],
  ['must not exceed 10°C', [one('temperature', 10, '°C', { bound: 'below' })]],
  ['above 105 °C', [one('temperature', 105, '°C', { bound: 'above' })]],
  ['-10 °C', [one('temperature', -10, '°C')]],
  ['for 1 h 30 min', [one('time', 90, 'min')]],
  ['half an hour', [one('time', 30, 'min')]],
  ['a quarter of an hour', [one('time', 15, 'min')]],
  ['fifteen minutes', [one('time', 15, 'min')]],
  ['15-20 min', [{ kind: 'time', low: 15, high: 20, unit: 'min' }]],
  ['overnight', [one('time', 960, 'min', { about: true })]],
  ['ca. 3 mL', [one('volume', 3, 'mL', { about: true })]],
  ['2 M', [one('strength', 2, 'mol/L')]],
  ['0.5 mol dm⁻³', [one('strength', 0.5, 'mol/L')]],
  ['10 % w/v', [one('percent', 10, '%', { basis: 'w/v' })]],
  ['96 % by mass', [one('percent', 96, '%', { basis: 'w/w' })]],
  ['pH 2', [one('pH', 2, '')]],
  ['pH of 6 to 7', [{ kind: 'pH', low: 6, high: 7, unit: '' }]],
  ['93.13 g/mol', [one('molar mass', 93.13, 'g/mol')]],
  ['three drops', [one('drops', 3, 'drops')]],
  ['5 m of hose, group C, 3 S', []],
  ['CH3OH and C6H6', []],
])('%s', (text, figures) => expect(read(text)).toEqual(figures))

test('a figure is where it stands, whatever signs the text is written in', () => {
  const text = 'Heat 3 × 20 mL – slowly – at 60 °C for 2 h.'
  expect(figuresIn(plainSigns(text)).map(({ from, to }) => text.slice(from, to))).toEqual(['3 × 20 mL', '60 °C', '2 h'])
})

test('minutes of every unit of time', () => {
  expect(figuresIn('1.5 h, 20 min, 30 s, 2 days').map(minutesOf)).toEqual([90, 20, 0.5, 2880])
})

test('any text is read without an end, and every figure lies in it', () => {
  fc.assert(
    fc.property(fc.string({ maxLength: 300 }), (text) => {
      for (const { from, to, low, high } of figuresIn(plainSigns(text))) {
        expect(from).toBeLessThan(to)
        expect(to).toBeLessThanOrEqual(text.length)
        expect(low).toBeLessThanOrEqual(high)
      }
    }),
  )
})
