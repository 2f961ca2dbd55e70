import fc from 'fast-check'
import { dryingTrend } from '../../measurements/agreement'
import { agentsFor, dryingAgents, dryingDose } from '../dry-solution/dryingAgents'

const magnesium = dryingAgents.find(({ name }) => name === 'magnesium sulfate')!

describe('drying agents', () => {
  test('MgSO4 holds 7·18.015/120.37 = 1.048 g of water to the gram', () => expect(magnesium.gWaterPerG).toBeCloseTo(1.0477, 3))
  test('50 mL of ether, half a millilitre of droplets: 0.46 + 0.5 g of water, 2 g first, 0.92 g at the least', () => {
    const dose = dryingDose({ volumeML: 50, gPerML: 0.713, gWaterPer100G: 1.3, dropletsML: 0.5 }, magnesium)
    expect(dose.waterG).toBeCloseTo(0.963, 3)
    expect(dose.firstDoseG).toBe(2)
    expect(dose.leastG).toBeCloseTo(0.963 / 1.0477, 3)
  })
  test('an alcohol: the laboratory’s own first, calcium chloride last with its reason', () => {
    const judged = agentsFor(['alcohol'], 'sodium sulfate')
    expect(judged[0]).toMatchObject({ agent: { name: 'sodium sulfate' } })
    expect(judged.at(-1)).toMatchObject({ agent: { name: 'calcium chloride' }, against: 'alcohol' })
  })
  test('an acid is not dried over potassium carbonate', () =>
    expect(agentsFor(['carboxylic acid'], 'magnesium sulfate').find(({ agent }) => agent.formula === 'K2CO3')!.against).toBe(
      'carboxylic acid',
    ))
})

describe('constant mass', () => {
  const curve = (end: number, wet: number, k: number) =>
    [0, 10, 20, 30].map((atMin) => ({ atMin, massG: end + wet * Math.exp(-k * atMin) }))
  test('by hand: 5.20, 4.80, 4.60 at equal times halve their differences, so they tend to 4.40', () => {
    const trend = dryingTrend(
      [5.2, 4.8, 4.6].map((massG, index) => ({ atMin: 10 * index, massG })),
      0.01,
      0.02,
    )!
    expect(trend.endG).toBeCloseTo(4.4, 4)
    expect(trend.perMin).toBeCloseTo(Math.LN2 / 10, 5)
    // 0.8·e^(−kt) = 0.02 after 5.32 halvings
    expect(trend.endsAtMin).toBeCloseTo(53.2, 1)
    // Aitken's end is (m1·m3 − m2²)/(m1 + m3 − 2·m2); its derivatives are 1, −4 and 4: √33·0.01 g.
    expect(trend.uEndG).toBeCloseTo(0.057, 2)
  })
  test('finds the curve that the readings lie on', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 20, noNaN: true }),
        fc.double({ min: 0.2, max: 2, noNaN: true }),
        fc.double({ min: 0.02, max: 0.2, noNaN: true }),
        (end, wet, k) => {
          const trend = dryingTrend(curve(end, wet, k), 0, 0.01)!
          expect(trend.endG).toBeCloseTo(end, 3)
          expect(trend.uEndG).toBe(0)
        },
      ),
      { numRuns: 30 },
    )
  })
  test('two weighings, or a mass that does not fall, have no trend', () => {
    expect(
      dryingTrend(
        [
          { atMin: 0, massG: 5 },
          { atMin: 10, massG: 4.9 },
        ],
        0.01,
        0.02,
      ),
    ).toBeNull()
    expect(
      dryingTrend(
        [4.6, 4.8, 5.2].map((massG, index) => ({ atMin: index, massG })),
        0.01,
        0.02,
      ),
    ).toBeNull()
  })
})
