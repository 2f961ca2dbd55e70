import fc from 'fast-check'
import { deviceOf, devices, uncertaintyOf } from './device'
import { constant, decimalsJustified, exact, minus, over, times, written } from './figure'
import { readInUnit, readNumber, readQuantity } from './readQuantity'
import { inBaseUnit, unitWritten, units, type Unit } from './unit'
import { writeFigureText, writeFull, writeNumber, writeQuantity, writeRatio } from './write'

const ok = <T>(read: { ok: true; value: T } | { ok: false; problem: string }): T => {
  if (!read.ok) throw new Error(read.problem)
  return read.value
}

describe('reading quantities', () => {
  test.each([
    ['2,5 ml', 'volume', 2.5, 'mL', 1],
    ['2.5mL', 'volume', 2.5, 'mL', 1],
    ['4.00 mL', 'volume', 4, 'mL', 2],
    ['4 cm3', 'volume', 4, 'mL', 0],
    ['250 mg', 'mass', 250, 'mg', 0],
    ['0.25g', 'mass', 0.25, 'g', 2],
    ['.5 g', 'mass', 0.5, 'g', 1],
    ['1/2 g', 'mass', 0.5, 'g', 1],
    ['1.5e-3 mol', 'amount', 0.0015, 'mol', 4],
    ['12 M', 'concentration', 12, 'mol/L', 0],
    ['10%', 'percent', 10, '%', 0],
    ['−6 °C', 'temperature', -6, '°C', 0],
    ['0,125 g', 'mass', 0.125, 'g', 3],
  ] as const)('%s', (text, dimension, value, unit, decimals) => {
    expect(ok(readQuantity(text, dimension))).toEqual({ value, unit, decimals })
  })

  test.each([
    ['4.00', 'volume', /Say the unit: 4.00 mL or 4.00 µL/],
    ['', 'mass', /Nothing is written.*4.09 g/],
    ['abc', 'mass', /does not begin with a number/],
    ['4 g', 'volume', /is a mass; this place holds a volume/],
    ['-4 g', 'mass', /cannot be negative/],
    ['0 g', 'mass', /of zero/],
    ['4 stone', 'mass', /“stone” is not a unit/],
    ['4 Mg', 'mass', /million times.*mg/],
    ['1,234 g', 'mass', /1.234 or 1234/],
    ['1.2.3 g', 'mass', /two ways/],
    ['1/0 g', 'mass', /divided by zero/],
    ['9e9 g', 'mass', /more than any teaching bench/],
  ] as const)('%s in a place for %s is refused', (text, dimension, message) => {
    const read = readQuantity(text, dimension)
    expect(read.ok ? '' : read.problem).toMatch(message)
  })

  test('a comma and exactly three digits could be either, so it is refused unless it begins with zero', () => {
    expect(readNumber('1,000').ok).toBe(false)
    expect(ok(readNumber('0,125'))).toEqual({ value: 0.125, decimals: 3 })
  })

  test('what is written is read back as the same quantity', () => {
    const symbols = (Object.keys(units) as Unit[]).filter((unit) => ['mass', 'volume', 'amount'].includes(units[unit].dimension))
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 999_999 }),
        fc.integer({ min: 0, max: 4 }),
        fc.constantFrom(...symbols),
        (digits, decimals, unit) => {
          const quantity = { value: Number((digits / 10 ** decimals).toFixed(decimals)), unit, decimals }
          fc.pre(quantity.value * units[unit].factor <= 1e6)
          expect(ok(readQuantity(writeQuantity(quantity), units[unit].dimension as 'mass'))).toEqual(quantity)
        },
      ),
    )
  })

  // Exact by the definitions of the SI prefixes, the litre (dm³), the minute and the hour.
  test.each([
    ['µg', 0.000001],
    ['mg', 0.001],
    ['g', 1],
    ['kg', 1000],
    ['µL', 0.001],
    ['mL', 1],
    ['L', 1000],
    ['µmol', 0.001],
    ['mmol', 1],
    ['mol', 1000],
    ['°C', 1],
    ['mol/L', 1],
    ['mmol/L', 0.001],
    ['%', 0.01],
    ['g/mL', 1],
    ['s', 1 / 60],
    ['min', 1],
    ['h', 60],
  ] as const)('1 %s in the base unit of its dimension', (unit, factor) => {
    expect(inBaseUnit({ value: 1, unit })).toBe(factor)
    expect(unitWritten(unit)).toBe(unit)
    for (const other of units[unit].alsoWritten) expect([other, unitWritten(other)]).toEqual([other, unit])
  })

  test.each([
    ['1/3', 1 / 3, 3],
    ['1/4', 0.25, 2],
    ['4/2', 2, 0],
    ['2.50', 2.5, 2],
    ['1.5e-3', 0.0015, 4],
    ['15e2', 1500, 0],
    ['12.', 12, 0],
    ['+3', 3, 0],
  ])('the number %s', (text, value, decimals) => expect(ok(readNumber(text))).toEqual({ value, decimals }))

  test.each([
    ['', 'Nothing is written here.'],
    ['   ', 'Nothing is written here.'],
    ['much', '“much” is not a number: write it in figures, such as 2.5.'],
    ['.', '“.” can be read in two ways: write one decimal point and no other marks.'],
    ['-', '“-” is not a number: write it in figures, such as 2.5.'],
    [' 1 2 ', '“1 2” can be read in two ways: write one decimal point and no other marks.'],
  ])('“%s” is no number, and it says why', (text, problem) => expect(readNumber(text)).toEqual({ ok: false, problem }))

  test('the most that is taken is a million base units, and the sentences name what is meant', () => {
    expect(ok(readQuantity('1000 kg', 'mass')).value).toBe(1000)
    const problem = (text: string, dimension: 'mass' | 'amount' | 'temperature' | 'density' | 'volume') => {
      const read = readQuantity(text, dimension)
      return read.ok ? '' : read.problem
    }
    expect(problem('1000001 g', 'mass')).toMatch(/more than any teaching bench holds/)
    expect(problem('-1 mol', 'amount')).toMatch(/^An amount of substance cannot be negative/)
    expect(problem('0 mL', 'volume')).toMatch(/^A volume of zero is no line at all/)
    expect(problem('20', 'temperature')).toBe('The unit is missing. Write for example 20 °C.')
    expect(problem('3 mol', 'density')).toMatch(/^3 mol is an amount of substance; this place holds a density/)
    for (const [symbol, right] of [
      ['Mg', 'mg'],
      ['MG', 'mg'],
      ['ML', 'mL'],
    ])
      expect(problem(`4 ${symbol}`, 'mass')).toContain(`write ${right}.`)
  })

  test.each([
    ['112 °C', '°C', 112],
    ['112', '°C', 112],
    ['−6 C', '°C', -6],
    ['1.5 h', 'min', 90],
    ['90 s', 'min', 1.5],
    ['250 mg', 'g', 0.25],
    ['2,5', 'mL', 2.5],
    ['0.25 L', 'mL', 250],
    ['760 mmHg', 'mmHg', 760],
    ['385 K', '°C', 111.85],
    ['212 °F', '°C', 100],
    ['-40 F', '°C', -40],
    // 760 mmHg are 101.325 kPa.
    ['101.325 kPa', 'mmHg', 760],
    ['1013.25 mbar', 'mmHg', 760],
    ['1013.25 hPa', 'mmHg', 760],
    ['101325 Pa', 'mmHg', 760],
    ['1.01325 bar', 'mmHg', 760],
    ['0.5 atm', 'mmHg', 380],
    ['20 Torr', 'mmHg', 20],
    ['20 torr', 'mmHg', 20],
    ['3', '', 3],
    ['1/2 g', 'g', 0.5],
  ])('%s in a place for %s is %d', (text, unit, value) => expect(readInUnit(text, unit)).toEqual({ ok: true, value }))

  test.each([
    ['5 g', 'mL', 'This place holds mL, not g: write how many mL it is.'],
    ['5 stone', 'g', 'This place holds g, not stone: write how many g it is.'],
    ['3 g', '', 'This is a number without a unit: write 3.'],
    ['5 psi', 'mmHg', 'This place holds mmHg, not psi: write how many mmHg it is.'],
    ['20 K', 'min', 'This place holds min, not K: write how many min it is.'],
    ['warm', '°C', '“warm” is not a number: write it in figures, such as 2.5.'],
    ['', 'g', 'Nothing is written here.'],
  ])('%s in a place for %s is refused', (text, unit, problem) => expect(readInUnit(text, unit)).toEqual({ ok: false, problem }))

  test('base units', () => {
    expect(inBaseUnit({ value: 250, unit: 'mg' })).toBeCloseTo(0.25, 12)
    expect(inBaseUnit({ value: 0.1, unit: 'mol' })).toBeCloseTo(100, 12)
    expect(inBaseUnit({ value: 80, unit: 'µL' })).toBeCloseTo(0.08, 12)
  })
})

describe('figures', () => {
  test('a product shows no more figures than its factors justify', () => {
    // 4.00 mL × 1.022 g/mL: half a unit of the last figure is 0.125 %, of 4.088 g that is 0.005, so two decimals.
    const mass = times(written(4, 2), constant(1.022))
    expect(mass.value).toBeCloseTo(4.088, 10)
    expect(decimalsJustified(mass)).toBe(2)
    expect(writeFigureText(mass, 'mass')).toBe('4.09 g')
  })

  test('units follow the size', () => {
    expect(writeFigureText(written(0.0412, 4), 'mass')).toBe('41.2 mg')
    expect(writeFigureText(written(4430, 0), 'amount')).toBe('4.430 mol')
    expect(writeFigureText(written(0.05, 3), 'volume')).toBe('50 µL')
  })

  test.each([
    [1000, 'mass', '1.0000 kg'],
    [999, 'mass', '999.0 g'],
    [0.1, 'mass', '0.1 g'],
    [0.0999, 'mass', '99.9 mg'],
    [1000, 'volume', '1.0000 L'],
    [999, 'volume', '999.0 mL'],
    [0.1, 'volume', '0.1 mL'],
    [0.0999, 'volume', '99.9 µL'],
    [1000, 'amount', '1.0000 mol'],
    [999, 'amount', '999.0 mmol'],
    [0.1, 'amount', '0.1 mmol'],
    [0.0999, 'amount', '99.9 µmol'],
    [-0.5, 'mass', '−0.5 g'],
  ] as const)('%d in base units of %s is written %s', (value, dimension, text) =>
    expect(writeFigureText(written(value, value > 0 && value < 0.1 ? 4 : 1), dimension)).toBe(text),
  )

  test('a guard digit is carried', () => expect(writeFigureText(written(4, 2), 'mass', 1)).toBe('4.000 g'))

  test('decimals that are justified: six at the most, none for nothing or for tens', () => {
    expect(decimalsJustified(exact(0))).toBe(0)
    expect(decimalsJustified(exact(1 / 3))).toBe(6)
    expect(decimalsJustified(exact(0.25))).toBe(2)
    expect(decimalsJustified(exact(0.1234567))).toBe(6)
    expect(decimalsJustified(exact(0.012345678))).toBe(6)
    expect(decimalsJustified(exact(123456.789))).toBe(0)
    expect(decimalsJustified(exact(12345.6789))).toBe(1)
    expect(decimalsJustified(written(0.00000012345, 11))).toBe(6)
    expect(decimalsJustified(written(1230, -1))).toBe(0)
    expect(decimalsJustified(written(0, 2))).toBe(0)
    expect(written(0, 2)).toEqual({ value: 0, rounding: 0, u: 0 })
    // Half of 0.01 of 2.00 is a quarter of a per cent.
    expect(written(2, 2)).toEqual({ value: 2, rounding: 0.0025, u: 0 })
    expect(constant(5)).toEqual({ value: 5, rounding: 0.1, u: 0 })
  })

  test('a ratio has three decimals at the most', () => {
    expect(writeRatio(written(0.05312, 5))).toBe('0.053')
    expect(writeRatio(written(0.5, 1))).toBe('0.5')
  })

  test('a true minus, no negative zero, the value in full', () => {
    expect(writeNumber(-0.4, 1)).toBe('−0.4')
    expect(writeNumber(-0.01, 1)).toBe('0.0')
    expect(writeFull(5.873927798123)).toBe('5.873927798')
    expect(writeRatio(exact(1))).toBe('1.00')
    expect(writeRatio(written(101.98, 0))).toBe('102')
  })

  test('uncertainties of a quotient and a difference add in quadrature', () => {
    const a = { value: 10, rounding: 0, u: 0.03 }
    const b = { value: 5, rounding: 0, u: 0.04 }
    expect(over(a, b)).toEqual({ value: 2, rounding: 0, u: 0.05 })
    // Absolute: 0.3 and 0.2, together √0.13 = 0.36056 on 5.
    expect(minus(a, b).u).toBeCloseTo(Math.sqrt(0.13) / 5, 10)
    expect(minus(a, a)).toEqual({ value: 0, rounding: 0, u: 0 })
  })
})

describe('devices', () => {
  test('one reading of a 0.01 g balance: √(0.01²/12 + 0.01²) = 0.010408 g', () => {
    expect(uncertaintyOf(deviceOf('balance-0.01')!)).toBeCloseTo(0.0104083, 7)
  })

  test('a weight by difference has two readings, √2 times as uncertain', () => {
    const balance = deviceOf('balance-0.001')!
    expect(uncertaintyOf(balance, 2) / uncertaintyOf(balance)).toBeCloseTo(Math.SQRT2, 12)
  })

  test.each([
    ['balance-0.01', 0.01, 0.0104083],
    ['balance-0.001', 0.001, 0.00104083],
    // √(0.05²/12 + 0.05² + 0.2²/3), and so on.
    ['cylinder-10', 0.05, 0.1266557],
    ['cylinder-100', 1, 1.1902381],
    ['pipette-5', 0.02, 0.0355903],
    ['burette-50', 0.05, 0.0777282],
    ['balance-0.0001', 0.0001, 0.000104083],
    ['melting-0.1', 0.1, 0.1040833],
  ] as const)('%s shows %d, so one reading with its class is good to %d', (id, readability, u) => {
    const device = deviceOf(id)!
    expect(device.readability).toBe(readability)
    expect(uncertaintyOf(device)).toBeCloseTo(u, 7)
  })

  test('every device says where its figures come from', () => {
    for (const device of devices) expect(device.source).not.toBe('')
    expect(deviceOf('none')).toBeUndefined()
  })
})

test('a quantity that is known to tens only is written without a point', () => {
  expect(writeQuantity({ value: 1230, unit: 'g', decimals: -1 })).toBe('1230 g')
})
