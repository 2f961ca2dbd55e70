import { often } from '@/test-support/often'
import fc from 'fast-check'
import { activityCoefficients, type ActivityModel } from '../../matter/activity'
import { batchDistillation, type BatchCharge } from './batch'
import { surestStages, headOver } from './column'
import { bubblePoint, type Component, type Mixture } from '../../matter/equilibrium'
import { inOneRow, readHeads } from './headReadings'
import { byWindow, purityOf, recoveryAtPurity } from './fractions'
import { steamDistillation } from './steam'
import { corrected, expectedReading } from './thermometer'
import { whichDistillation } from './whichDistillation'

const cyclohexane: Component = { name: 'cyclohexane', a: 6.8413, b: 1201.53, c: 222.65, gPerMol: 84.16, gPerML: 0.779 }
const toluene: Component = { name: 'toluene', a: 6.95464, b: 1344.8, c: 219.48, gPerMol: 92.14, gPerML: 0.867 }
const octane: Component = { name: 'octane', a: 6.91868, b: 1351.99, c: 209.155, gPerMol: 114.23, gPerML: 0.703 }
const pair: Mixture = { components: [cyclohexane, toluene], model: { kind: 'ideal' }, mmHg: 760 }
const three: Mixture = { ...pair, components: [cyclohexane, toluene, octane] }
/** The same slope and another height: the relative volatility is 10^0.4 = 2.512 at every temperature. */
const constantAlpha = (log: number): Mixture => ({ ...pair, components: [{ ...toluene, a: toluene.a + log }, toluene] })
const ethanolWater: Mixture = {
  components: [
    { name: 'ethanol', a: 8.1122, b: 1592.864, c: 226.184, gPerMol: 46.07, gPerML: 0.789 },
    { name: 'water', a: 8.07131, b: 1730.63, c: 233.426, gPerMol: 18.015, gPerML: 0.998 },
  ],
  // Gmehling and Onken, Vapor–Liquid Equilibrium Data Collection: van Laar constants of ethanol and water.
  model: { kind: 'van Laar', A12: 1.6798, A21: 0.9227 },
  mmHg: 760,
}
const charge = (more: Partial<BatchCharge> = {}): BatchCharge => ({
  mmol: [200, 200],
  stages: 0,
  reflux: Infinity,
  holdUpML: 0,
  points: 400,
  stopML: 4,
  ...more,
})

describe('equilibrium', () => {
  test('pure: cyclohexane boils at 80.7 °C, toluene at 110.6 °C', () => {
    expect(bubblePoint(pair, [1, 0]).atC).toBeCloseTo(80.7, 1)
    expect(bubblePoint(pair, [0, 1]).atC).toBeCloseTo(110.6, 1)
  })
  test('half and half, by hand at 92.3 °C: 0.5·1069 + 0.5·447 mmHg make about 760', () => {
    const { atC, other } = bubblePoint(pair, [0.5, 0.5])
    expect(atC).toBeCloseTo(92.4, 0)
    expect(other[0]).toBeCloseTo(0.7, 1)
    expect(other[0]! + other[1]!).toBeCloseTo(1, 9)
  })
  test('ethanol and water have their azeotrope at 78.2 °C; measured 0.894, and these constants, flat there, say 0.92', () => {
    const azeotrope = Array.from({ length: 99 }, (_, i) => (i + 1) / 100).find(
      (x) => bubblePoint(ethanolWater, [x, 1 - x]).other[0]! <= x,
    )!
    expect(azeotrope).toBeGreaterThan(0.86)
    expect(azeotrope).toBeLessThan(0.95)
    expect(bubblePoint(ethanolWater, [azeotrope, 1 - azeotrope]).atC).toBeCloseTo(78.2, 0)
  })
})

describe('activity coefficients', () => {
  const models: [string, ActivityModel][] = [
    ['van Laar', { kind: 'van Laar', A12: 1.68, A21: 0.92 }],
    [
      'Wilson',
      {
        kind: 'Wilson',
        lambda: [
          [1, 0.16],
          [0.8, 1],
        ],
      },
    ],
    [
      'NRTL',
      {
        kind: 'NRTL',
        tau: [
          [0, -0.1],
          [1.7, 0],
        ],
        alpha: [
          [0, 0.3],
          [0.3, 0],
        ],
      },
    ],
  ]
  test('at infinite dilution van Laar gives ln γ1 = A12; Wilson 1 − ln Λ12 − Λ21; NRTL τ21 + τ12·G12', () => {
    expect(Math.log(activityCoefficients(models[0]![1], [0, 1])[0]!)).toBeCloseTo(1.68, 9)
    expect(Math.log(activityCoefficients(models[1]![1], [0, 1])[0]!)).toBeCloseTo(1 - Math.log(0.16) - 0.8, 9)
    expect(Math.log(activityCoefficients(models[2]![1], [0, 1])[0]!)).toBeCloseTo(1.7 + -0.1 * Math.exp(0.03), 9)
  })
  test.each(models)('%s: pure is 1, and the Gibbs–Duhem equation holds', (_name, model) => {
    expect(activityCoefficients(model, [1, 0])[0]).toBeCloseTo(1, 9)
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 0.95, noNaN: true }), (x) => {
        const h = 1e-5
        const [up, down] = [x + h, x - h].map((at) => activityCoefficients(model, [at, 1 - at]).map(Math.log))
        expect((x * (up![0]! - down![0]!) + (1 - x) * (up![1]! - down![1]!)) / (2 * h)).toBeCloseTo(0, 5)
      }),
    )
  })
  test('van Laar is for two', () =>
    expect(() => activityCoefficients({ kind: 'van Laar', A12: 1, A21: 1 }, [0.2, 0.3, 0.5])).toThrow('two components'))
})

describe('column', () => {
  test('total reflux follows Fenske: x_D/(1 − x_D) = α^(N+1)·x/(1 − x)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 12 }), fc.double({ min: 0.05, max: 0.95, noNaN: true }), (stages, x) => {
        const { distillate } = headOver(constantAlpha(0.2), { stages, reflux: Infinity }, [x, 1 - x])
        expect(Math.log(distillate[0]! / distillate[1]!)).toBeCloseTo((stages + 1) * 0.2 * Math.LN10 + Math.log(x / (1 - x)), 5)
      }),
    )
  })
  test('one stage at reflux 1, by hand: 0.240 in the pot under 0.3846 at the head', () => {
    // α = 10^0.2 = 1.58489. Over x_D = y1: x1 = y1/(α − (α−1)·y1); y0 = (x1 + y1)/2; x0 = y0/(α − (α−1)·y0). From y1 = 0.3846: x1 = 0.28277, y0 = 0.33369, x0 = 0.24011.
    const { distillate } = headOver(constantAlpha(0.2), { stages: 1, reflux: 1 }, [0.24011, 1 - 0.24011])
    expect(distillate[0]).toBeCloseTo(0.3846, 3)
  })
  test('the head lies between pot and pure light component, and more reflux or stages never make it worse', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 10 }),
        fc.double({ min: 0.5, max: 20, noNaN: true }),
        fc.double({ min: 0.05, max: 0.9, noNaN: true }),
        (stages, reflux, x) => {
          const light = (column: { stages: number; reflux: number }) => headOver(pair, column, [x, 1 - x]).distillate[0]!
          const head = light({ stages, reflux })
          expect(head).toBeGreaterThan(x)
          expect(head).toBeLessThan(1)
          expect(light({ stages, reflux: 2 * reflux })).toBeGreaterThanOrEqual(head - 1e-7)
          expect(light({ stages: stages + 1, reflux })).toBeGreaterThanOrEqual(head - 1e-7)
        },
      ),
    )
  })
})

describe('two components, by their table', () => {
  const withNoOctane = (column: { stages: number; reflux: number }, x: number) =>
    headOver(three, column, [x, 1 - x, 0]).distillate[0]!
  test('agree with the same two and none of a third, which are worked out stage by stage', () => {
    fc.assert(
      fc.property(
        // With more stages the turns can come to rest before the front does (columnOver).
        fc.integer({ min: 0, max: surestStages }),
        fc.double({ min: 0.2, max: 30, noNaN: true }),
        fc.double({ min: 0.002, max: 0.998, noNaN: true }),
        (stages, reflux, x) => {
          const { distillate } = headOver(pair, { stages, reflux }, [x, 1 - x])
          expect(distillate[0]).toBeCloseTo(withNoOctane({ stages, reflux }, x), 6)
        },
      ),
      { numRuns: often(15, 60) },
    )
  })
  test('a column over an azeotrope holds its balance at every reflux: y of the pot is L·x1 + (1 − L)·xD', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 40, noNaN: true }),
        fc.double({ min: 0.01, max: 0.99, noNaN: true }),
        (reflux, x) => {
          const L = reflux / (reflux + 1)
          const { distillate, onStages } = headOver(ethanolWater, { stages: 1, reflux }, [x, 1 - x])
          const fromPot = bubblePoint(ethanolWater, [x, 1 - x]).other[0]!
          expect(L * onStages[0]! + (1 - L) * distillate[0]!).toBeCloseTo(fromPot, 4)
          expect(bubblePoint(ethanolWater, onStages).other[0]).toBeCloseTo(distillate[0]!, 4)
        },
      ),
    )
  })
})

describe('batch', () => {
  test('one stage and constant α follows Rayleigh: ln(W/W0) = [ln(x/x0) + α·ln((1 − x0)/(1 − x))]/(α − 1)', () => {
    const alpha = 10 ** 0.4
    const { points } = batchDistillation(constantAlpha(0.4), charge({ points: 2000 }))
    for (const { pot, distilled } of points.slice(1)) {
      const left = 1 - (distilled[0]! + distilled[1]!) / 400
      const x = pot[0]!
      expect(Math.log(left)).toBeCloseTo((Math.log(x / 0.5) + alpha * Math.log(0.5 / (1 - x))) / (alpha - 1), 4)
    }
  })
  test('what was charged is in receiver, pot and column, to a millionth; the head warms from the light boiling point to the heavy one', () => {
    const { points, left, inColumn } = batchDistillation(pair, charge({ stages: 8, reflux: 5, holdUpML: 2, stopML: 5 }))
    points.at(-1)!.distilled.forEach((n, i) => expect((n + left[i]! + inColumn[i]!) / 200).toBeCloseTo(1, 9))
    expect(points[0]!.headC).toBeCloseTo(80.8, 0)
    expect(points.at(-1)!.headC).toBeGreaterThan(109)
    for (let i = 1; i < points.length; i++) expect(points[i]!.headC).toBeGreaterThan(points[i - 1]!.headC - 0.02)
    for (const { head, pot } of points) expect(head[0]).toBeGreaterThanOrEqual(pot[0]! - 1e-6)
  })
  test('three components come over in the order of their boiling points', () => {
    const { points, left, inColumn } = batchDistillation(
      three,
      charge({ mmol: [150, 150, 150], stages: 10, reflux: 6, points: 150, holdUpML: 1, stopML: 6 }),
    )
    points.at(-1)!.distilled.forEach((n, i) => expect((n + left[i]! + inColumn[i]!) / 150).toBeCloseTo(1, 9))
    const most = (share: number) => {
      const { head } = points[Math.round(share * 150)]!
      return head.indexOf(Math.max(...head))
    }
    expect([most(0.1), most(0.5), most(0.95)]).toEqual([0, 1, 2])
  })
  test('dilute ethanol never passes its azeotrope', () => {
    const { points } = batchDistillation(ethanolWater, charge({ mmol: [100, 400], stages: 5, reflux: 4, points: 60 }))
    expect(points[0]!.head[0]).toBeGreaterThan(0.78)
    for (const { head } of points) expect(head[0]).toBeLessThan(0.91)
  })
  test('a pot with less than stays behind is refused, and whoever watches may stop it', () => {
    expect(() => batchDistillation(pair, charge({ stopML: 100 }))).toThrow('nothing comes over')
    expect(() =>
      batchDistillation(pair, charge(), () => {
        throw new Error('stopped')
      }),
    ).toThrow('stopped')
  })
})

describe('fractions', () => {
  const curve = batchDistillation(pair, charge({ stages: 6, reflux: 5 }))
  test('a window cuts the curve into three that make it up', () => {
    const cut = byWindow(curve, 79, 84)
    expect(cut.map(({ name }) => name)).toEqual(['forerun', 'main', 'after-run'])
    expect(cut[1]!.toC).toBeLessThan(85)
    expect(cut.reduce((sum, { mmol }) => sum + mmol[0]!, 0)).toBeCloseTo(curve.points.at(-1)!.distilled[0]!, 9)
    expect(byWindow(curve, 120, 130)[1]!.mmol).toEqual([0, 0])
    expect(byWindow(curve, 85, 80)[1]!.mmol).toEqual([0, 0])
  })
  test('purer is less', () => {
    const found = recoveryAtPurity(curve, 0, 200, [0.9, 0.95, 0.98, 0.99])
    for (const { purity, fraction, recovery } of found) {
      expect(purityOf(fraction, 0)).toBeGreaterThanOrEqual(purity)
      expect(recovery).toBeLessThanOrEqual(1)
    }
    for (let i = 1; i < found.length; i++) expect(found[i]!.recovery).toBeLessThanOrEqual(found[i - 1]!.recovery)
    expect(recoveryAtPurity(curve, 0, 200, [1])).toEqual([])
    expect(recoveryAtPurity(curve, 1, 200, [0.95])[0]!.fraction.fromML).toBeGreaterThan(20)
  })
})

test('thermometer, by hand: 40 K of spirit column outside at 25 °C, read 110: 110 + 0.001·40·85 + 1', () => {
  const thermometer = { filling: 'spirit', stemK: 40, lagK: 1, roomC: 25 } as const
  expect(corrected(110, thermometer)).toBeCloseTo(114.4, 9)
  expect(expectedReading(corrected(97.3, thermometer), thermometer)).toBeCloseTo(97.3, 9)
  expect(corrected(110, { ...thermometer, filling: 'mercury' })).toBeCloseTo(111.544, 9)
})

test('steam and bromobenzene: 95.3 °C and 1.65 g to the gram of water (Vogel, steam distillation)', () => {
  const bromobenzene = { antoine: { a: 6.86064, b: 1438.817, c: 205.441, fromC: 56, toC: 154, source: '' } }
  const water = { antoine: { a: 8.07131, b: 1730.63, c: 233.426, fromC: 1, toC: 100, source: '' } }
  const found = steamDistillation(bromobenzene, 157.01, water, 760)!
  expect(found.atC).toBeCloseTo(95.3, 0)
  expect(found.gPerGWater).toBeCloseTo(1.65, 1)
  expect(steamDistillation({}, 100, water, 760)).toBeNull()
})

test('which distillation', () => {
  expect(whichDistillation(80.7, 29.9, 'parts from it', 70)).toMatchObject({ way: 'fractional' })
  expect(whichDistillation(80.7, 29.9, 'parts from it', 25)).toMatchObject({ way: 'simple' })
  expect(whichDistillation(142, null, 'parts from it', 70).way).toBe('simple')
  expect(whichDistillation(230, null, 'parts from it', 70).way).toBe('steam')
  for (const water of ['mixes with it', 'is destroyed by it', 'unknown'] as const)
    expect(whichDistillation(230, null, water, 70).way).toBe('reduced pressure')
  expect(whichDistillation(230, null, 'unknown', 70).why).toMatch(/not known to part/)
})

describe('readings at the head', () => {
  const readings = [
    { volumeML: 10, headC: 80.9 },
    { volumeML: 0, headC: 80.5 },
    { volumeML: 20, headC: 84.9 },
    { volumeML: 22, headC: 90 },
  ]
  test('by hand: all of the first 10 mL lie between 79 and 83 °C, of the next (83 − 80.9)/4, of the last nothing', () => {
    expect(readHeads(readings, 79, 83)).toMatchObject({ overML: 22, firstC: 80.5, lastC: 90 })
    expect(readHeads(readings, 79, 83)!.insideML).toBeCloseTo(15.25, 9)
    expect(readHeads([{ volumeML: 0, headC: 80 }], 79, 83)!.insideML).toBe(0)
    expect(
      readHeads(
        [
          { volumeML: 0, headC: 80 },
          { volumeML: 5, headC: 80 },
        ],
        79,
        83,
      )!.insideML,
    ).toBe(5)
    expect(readHeads([], 79, 83)).toBeNull()
  })
  test('receivers in a row: the second begins where the first ended', () =>
    expect(inOneRow([readings.slice(0, 2), [], [{ volumeML: 3, headC: 95 }]]).map(({ volumeML }) => volumeML)).toEqual([
      10, 0, 13,
    ]))
  test('windows that meet share out all that came over, and a wider one never holds less', () => {
    const reading = fc.record({ volumeML: fc.double({ min: 0, max: 50, noNaN: true }), headC: fc.integer({ min: 60, max: 140 }) })
    fc.assert(
      fc.property(fc.array(reading, { minLength: 2, maxLength: 12 }), fc.integer({ min: 61, max: 139 }), (some, cut) => {
        const inside = (lowC: number, highC: number) => readHeads(some, lowC, highC)!.insideML
        const from = Math.min(...some.map(({ volumeML }) => volumeML))
        const { overML } = readHeads(some, 0, 1)!
        expect(inside(50, 150)).toBeCloseTo(overML - from, 6)
        // A head that stood still on the cut belongs to both.
        expect(inside(50, cut + 0.5) + inside(cut + 0.5, 150)).toBeCloseTo(overML - from, 6)
        expect(inside(60, cut + 1)).toBeGreaterThanOrEqual(inside(60, cut) - 1e-9)
      }),
    )
  })
})
