import fc from 'fast-check'
import { saltingFactor, saturatedSodiumChloride } from '../../matter/saltingOut'
import { layerFlow, mostlyIn, type FlowStep, type Solute } from './layerFlow'
import { loadedDensity, wateryLayers, whichOnTop } from './layers'
import {
  distributionRatio,
  fractionLeft,
  fractionLimit,
  partitionFromLogP,
  partitionFromSolubility,
  portionFor,
  portionsFor,
} from '../../matter/partition'

const positive = (max: number) => fc.double({ min: 0.01, max, noNaN: true })

describe('one solute', () => {
  test('K = 4, 50 mL of water: 60 mL at once take 82.8 %, three of 20 mL 94.3 %, the limit is 99.2 %', () => {
    expect(1 - fractionLeft({ D: 4, waterML: 50, portionML: 60, portions: 1 })).toBeCloseTo(0.828, 3)
    expect(1 - fractionLeft({ D: 4, waterML: 50, portionML: 20, portions: 3 })).toBeCloseTo(0.943, 3)
    expect(1 - fractionLimit(4, 50, 60)).toBeCloseTo(0.992, 3)
  })
  test('99 % with 20 mL portions: 2.6^−n ≤ 0.01, so five', () =>
    expect(portionsFor(0.99, { D: 4, waterML: 50, portionML: 20 })).toBe(5))
  test('what no number of portions reaches is said', () =>
    expect(portionsFor(0.99, { D: 0.001, waterML: 50, portionML: 20 })).toBeNull())
  test('the portion that n of them need, back again', () => {
    fc.assert(
      fc.property(positive(50), fc.integer({ min: 1, max: 6 }), (D, n) => {
        const volume = portionFor(0.95, { D, waterML: 50, portions: n })
        expect(1 - fractionLeft({ D, waterML: 50, portionML: volume, portions: n })).toBeCloseTo(0.95, 9)
        expect(portionsFor(0.95, { D, waterML: 50, portionML: volume })).toBe(n)
      }),
    )
  })
  test('more portions of the same total never take less, and none passes the limit', () => {
    fc.assert(
      fc.property(positive(50), positive(200), positive(200), fc.integer({ min: 1, max: 9 }), (D, water, total, n) => {
        const left = fractionLeft({ D, waterML: water, portionML: total / n, portions: n })
        expect(fractionLeft({ D, waterML: water, portionML: total / (n + 1), portions: n + 1 })).toBeLessThanOrEqual(left + 1e-12)
        expect(left).toBeGreaterThanOrEqual(fractionLimit(D, water, total) - 1e-12)
      }),
    )
  })
  test('D of an acid at its pKa is half of K, of an ampholyte between its pKas nearly K', () => {
    expect(distributionRatio({ K: 10, acidPKa: 4.2 }, 4.2)).toBeCloseTo(5, 9)
    expect(distributionRatio({ K: 10, basePKa: 4.2 }, 6.2)).toBeCloseTo(10 / 1.01, 9)
    // 1 + 10^(5−8) + 10^(2−5) = 1.002
    expect(distributionRatio({ K: 10, acidPKa: 8, basePKa: 2 }, 5)).toBeCloseTo(10 / (1.002 + 1e-6), 9)
    // An amino acid, pKa 2.35 and 9.78, is a zwitterion between them: 10^7.43 to one uncharged.
    expect(distributionRatio({ K: 10, acidPKa: 2.35, basePKa: 9.78 }, 6)).toBeLessThan(1e-6)
  })
  test('estimates of K', () => {
    expect(partitionFromLogP(1.87)).toBeCloseTo(74.1, 1)
    expect(partitionFromSolubility(7.4, 0.5)).toBeCloseTo(14.8, 9)
  })
})

describe('which layer is on top', () => {
  test('ether over water, dichloromethane under it', () => {
    expect(whichOnTop(0.713, wateryLayers.water!)).toMatchObject({ top: 'organic', certain: true })
    expect(whichOnTop(1.33, wateryLayers.water!)).toMatchObject({ top: 'watery', certain: true })
  })
  test('a loaded layer is heavier: 10 g in 25 mL of 0.90 g/mL, 32.5/33 = 0.985, uncertain over water', () => {
    expect(loadedDensity(25, 0.9, 10)).toBeCloseTo(0.985, 3)
    expect(whichOnTop(loadedDensity(25, 0.9, 10), 0.998)).toMatchObject({ certain: false })
  })
})

describe('acid, base and neutral through three flasks', () => {
  const solutes: Solute[] = [
    { id: 'acid', mmol: 1.84, K: 200, acidPKa: 4.37 },
    { id: 'amine', mmol: 1.96, K: 70, basePKa: 3.98 },
    { id: 'neutral', mmol: 1.5, K: 15000 },
  ]
  const steps: FlowStep[] = [
    { kind: 'shake', layer: 'ether', portions: 3, portionML: 10, pH: 0, into: 'A' },
    { kind: 'shake', layer: 'ether', portions: 3, portionML: 10, pH: 14, into: 'B' },
    { kind: 'bring to pH', layer: 'B', pH: 1, addML: 15 },
  ]
  const start = { name: 'ether', kind: 'organic', volumeML: 30, pH: 7 } as const
  test('each ends where it should', () => {
    const flow = layerFlow(start, solutes, steps)
    expect(flow.at(-1)!.layers.find(({ name }) => name === 'B')).toMatchObject({ pH: 1, volumeML: 45 })
    const last = flow.at(-1)!
    expect(mostlyIn(last, 'amine')).toMatchObject({ layer: 'A' })
    expect(mostlyIn(last, 'acid')).toMatchObject({ layer: 'B' })
    expect(mostlyIn(last, 'neutral')).toMatchObject({ layer: 'ether' })
    // Amine at pH 0: D = 70/(1 + 10^3.98) = 0.00733; each portion leaves 1/(1 + 10/(0.00733·30)).
    expect(flow[0]!.layers[0]!.holds.amine! / 1.96).toBeCloseTo((1 / (1 + 10 / (0.00733 * 30))) ** 3, 6)
  })
  test('errors say which layers there are', () => {
    expect(() => layerFlow(start, solutes, [{ kind: 'bring to pH', layer: 'C', pH: 1, addML: 0 }])).toThrow('one of ether')
    expect(() => layerFlow(start, solutes, [{ ...steps[0]!, into: 'ether' } as FlowStep])).toThrow('into itself')
    expect(() =>
      layerFlow(start, solutes, [
        steps[0]!,
        { ...steps[0]!, layer: 'A', into: 'O' } as FlowStep,
        { ...steps[0]!, layer: 'O', into: 'O2' } as FlowStep,
        { ...steps[0]!, into: 'O' } as FlowStep,
      ]),
    ).toThrow('of the organic kind')
    expect(mostlyIn({ layers: [] }, 'acid')).toBeNull()
    const [layer] = layerFlow(start, solutes, steps).at(-1)!.layers
    expect(mostlyIn({ layers: [{ ...layer!, holds: { acid: 0 } }] }, 'acid')).toBeNull()
  })
  test('every flow closes its mass balance', () => {
    const step = fc.record({
      portions: fc.integer({ min: 1, max: 5 }),
      portionML: positive(100),
      pH: fc.double({ min: 0, max: 14, noNaN: true }),
    })
    fc.assert(
      fc.property(fc.array(step, { minLength: 1, maxLength: 8 }), (shakes) => {
        const flow = layerFlow(
          start,
          solutes,
          shakes.map((each, index) => ({ kind: 'shake', layer: 'ether', into: `W${index % 3}`, ...each })),
        )
        for (const { layers } of flow)
          for (const { id, mmol } of solutes)
            expect(layers.reduce((sum, { holds }) => sum + (holds[id] ?? 0), 0)).toBeCloseTo(mmol, 9)
      }),
    )
  })
})

describe('salting out', () => {
  test('by hand: 0.2 L/mol at 5 mol/L raises K tenfold; none at no salt', () => {
    expect(saltingFactor(0.2, 5)).toBeCloseTo(10, 9)
    expect(saltingFactor(0.2, 0)).toBe(1)
  })
  test('K = 4 and 50 mL of water: 60 mL take 82.8 %, from saturated water with kS = 0.2 they take 98.3 %', () => {
    const start = { name: 'water', kind: 'watery' as const, volumeML: 50, pH: 7 }
    const left = (salting: number) =>
      layerFlow(
        start,
        [{ id: 'a', mmol: 1, K: 4 }],
        [{ kind: 'shake', layer: 'water', portions: 1, portionML: 60, pH: 7, into: 'ether', salting }],
      )[0]!.layers.find(({ name }) => name === 'water')!.holds.a!
    expect(1 - left(1)).toBeCloseTo(0.828, 3)
    // D = 4·10^(0.2·5.4) = 48.1: q = 50/(50 + 48.1·60)
    expect(1 - left(saltingFactor(0.2, saturatedSodiumChloride.molPerL))).toBeCloseTo(0.983, 3)
  })
  test('more salt never leaves more in the water', () =>
    fc.assert(
      fc.property(fc.double({ min: 0, max: 0.5, noNaN: true }), fc.double({ min: 0, max: 6, noNaN: true }), (kS, c) => {
        expect(saltingFactor(kS, c + 0.1)).toBeGreaterThanOrEqual(saltingFactor(kS, c))
      }),
    ))
})
