/** What instruments say, and the programs that play them. */
import fc from 'fast-check'
import { instrumentKinds, nameIn, readingIn } from './line'
import { standIn } from './standIns'

test('readings are read as they are written', () => {
  expect(readingIn('READ 27.483 g stable\r')).toEqual({ value: 27.483, decimals: 3, unit: 'g', state: 'stable' })
  expect(readingIn('READ -0.02 g moving')).toEqual({ value: -0.02, decimals: 2, unit: 'g', state: 'moving' })
  expect(readingIn('READ 113.2 C melting')).toMatchObject({ unit: 'C', state: 'melting' })
  expect(readingIn('READ 1.4003 nD 24.1 C')).toEqual({ value: 1.4003, decimals: 4, unit: 'nD', state: 'stable', atC: 24.1 })
  for (const line of ['', 'READ', 'READ x g stable', 'READ 1e9 g stable', '27.483 g', 'READ 27.483 kg stable', 'READ 1.4 nD'])
    expect(() => readingIn(line)).toThrow(RangeError)
})

test('an instrument says who it is', () => {
  for (const kind of instrumentKinds) expect(nameIn(standIn(kind).answer('WHO', 0))).toMatchObject({ kind, standIn: true })
  expect(() => nameIn('WHO toaster real Toaster')).toThrow(RangeError)
  expect(() => nameIn('balance')).toThrow(RangeError)
})

describe('the balance', () => {
  test('settles on what is put on it, is tared, and drifts by little', () => {
    const pan = standIn('balance')
    const read = (ms: number) => readingIn(pan.answer('READ', ms))
    expect(pan.answer('LOAD 23.418', 0)).toBe('OK')
    expect(read(300).state).toBe('moving')
    expect(read(20_000)).toMatchObject({ value: 23.418, state: 'stable' })
    expect(pan.answer('TARE', 20_000)).toBe('OK')
    expect(read(20_001).value).toBeCloseTo(0, 3)
    pan.answer('LOAD 27.512', 20_002)
    expect(read(60_000).value).toBeCloseTo(4.094, 2)
    // Two milligrams an hour.
    expect(read(20_002 + 3_600_000).value - read(60_000).value).toBeLessThan(0.003)
  })
  test('shows a figure that can be read at any time', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 200, noNaN: true }), fc.integer({ min: 0, max: 60_000 }), (grams, ms) => {
        const pan = standIn('balance')
        pan.answer(`LOAD ${grams}`, 0)
        expect(readingIn(pan.answer('READ', ms)).decimals).toBe(3)
      }),
    )
  })
})

test('the probe goes to its end and stands there', () => {
  const probe = standIn('thermometer')
  probe.answer('LOAD 20 118 2', 0)
  const at = (minutes: number) => readingIn(probe.answer('READ', minutes * 60_000))
  expect(at(0).value).toBeCloseTo(20, 0)
  // After one time constant 63 %: 20 + 0.632·98 = 81.9.
  expect(at(2).value).toBeCloseTo(81.9, 0)
  expect(at(2).state).toBe('moving')
  expect(at(30)).toMatchObject({ state: 'stable' })
  expect(at(30).value).toBeCloseTo(118, 0)
})

test('a sample melts between its onset and its clear point, read off by the error of the block', () => {
  const block = standIn('melting')
  block.answer('LOAD 113.0 114.5', 0)
  block.answer('RAMP 100 2', 0)
  const at = (minutes: number) => readingIn(block.answer('READ', minutes * 60_000))
  expect(at(6.4).state).toBe('solid')
  expect(at(6.6)).toMatchObject({ state: 'melting', value: 113.5 })
  expect(at(7.3)).toMatchObject({ state: 'liquid', value: 114.9 })
})

test('an index falls as it grows warmer', () => {
  const prism = standIn('refractometer')
  prism.answer('LOAD 1.4003', 0)
  const { value, atC } = readingIn(prism.answer('READ', 5000))
  expect(value).toBeCloseTo(1.4003 - 0.00045 * (atC! - 20), 4)
})

test.each(instrumentKinds)('%s refuses what it does not know, and stays as it was', (kind) => {
  const played = standIn(kind)
  const before = played.answer('READ', 100)
  for (const line of ['', 'LOAD', 'LOAD x', 'JUMP 1 2 3']) expect(played.answer(line, 100)).toBe('NO such command')
  expect(played.answer('READ', 100)).toBe(before)
})
