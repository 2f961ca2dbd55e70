import { matchSlot } from './matchSlot'
import { readTrace } from './readTrace'
import { composition, readPeakTable } from './report'

describe('a file finds its sample', () => {
  const runs = [
    { id: 'one', bench: 1, slots: ['A1'] },
    { id: 'two', bench: 2, slots: ['a 2', 'B2'] },
    { id: 'ten', bench: 10, slots: ['A10'] },
  ]
  test('by a slot that stands whole in its name or its title', () => {
    expect(matchSlot(['2026-11-18 a1.jdx', ''], runs)).toEqual({ run: 'one', slot: 'A1' })
    expect(matchSlot(['export.csv', 'vial B2'], runs)).toEqual({ run: 'two', slot: 'B2' })
  })
  test('A1 is not A10, and what fits two or none fits nobody', () => {
    expect(matchSlot(['A10.csv'], runs)).toEqual({ run: 'ten', slot: 'A10' })
    expect(matchSlot(['A1 and B2.csv'], runs)).toBeNull()
    expect(matchSlot(['C7.csv'], runs)).toBeNull()
  })
  test('else by the bench that it names, whole, and only where it names one', () => {
    for (const title of ['bench 1', 'Bench-01, infrared', 'run of BENCH1 today', 'bench_1.jdx'])
      expect(matchSlot(['x.jdx', title], runs)).toEqual({ run: 'one', slot: '' })
    expect(matchSlot(['bench 10.jdx'], runs)).toEqual({ run: 'ten', slot: '' })
    for (const title of ['bench 3', 'benches 1 and 2', 'bench 1 or bench 2', 'workbench 1', '1', 'bench 1 B2 A10'])
      expect(matchSlot([title], runs)).toBeNull()
    // The vial is surer than the bench.
    expect(matchSlot(['A10 bench 1'], runs)).toEqual({ run: 'ten', slot: 'A10' })
  })
})

describe('what was said of peaks', () => {
  test('parts follow the factors, and what is left out has none', () => {
    const found = composition(
      [
        { at: 1, area: 900 },
        { at: 4, area: 80 },
        { at: 5, area: 10 },
      ],
      [
        { name: 'solvent', response: 1, left: true },
        { name: 'ester', response: 1, left: false },
        { name: 'alcohol', response: 0.5, left: false },
      ],
    )
    // 80 and 10/0.5 = 20 of 100.
    expect(found.map(({ percent }) => percent)).toEqual([null, 80, 20])
  })
  test('a printed table is read by its last two numbers, with point or comma', () => {
    expect(readPeakTable('1  4.21 min  1523.5\n2  5,02 min  17,5')).toEqual([
      { at: 4.21, area: 1523.5 },
      { at: 5.02, area: 17.5 },
    ])
    expect(readPeakTable('')).toContain('No numbers')
    expect(readPeakTable('4.21')).toContain('Line 1 has one number')
    expect(readPeakTable('4.21 -3')).toContain('not negative')
  })
})

test('a file that begins with ## is JCAMP-DX, and any other is two columns', () => {
  expect(readTrace('##TITLE=x\n##END=', 'x')).toMatchObject({
    ok: false,
    problem: expect.stringContaining('holds no curve') as string,
  })
  expect(readTrace('0,1\n1,2\n2,3\n3,4\n4,5', 'A1.csv')).toMatchObject({
    ok: true,
    value: { kind: 'chromatogram', title: 'A1.csv' },
  })
})
