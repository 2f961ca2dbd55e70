/** Liquids that are mixtures and have no formula, as handouts use them: petroleum ether, an oil. */
import { boilsAtIn } from '@/core/matter/boilsAt'
import { densityOf } from '@/core/matter/phase'
import { vesselNamed } from '@/core/matter/state'
import { look, shortPlan } from '@/test-support/matter'

const funnel = { kind: 'separating funnel', sizeML: 100 } as const

test('30 mL of petroleum ether weigh 19.5 g, lie on 20 mL of water, and boil between 40 and 60 °C', () => {
  const { bench, grams } = look(
    shortPlan({ petrol: { of: 'petroleum ether', mL: 30 }, water: { of: 'water', mL: 20 } }, [
      { op: 'charge', in: '{petrol}', vessel: funnel },
      { op: 'charge', in: '{water}' },
    ]),
  )
  expect(grams(0)).toBeCloseTo(30 * 0.65, 6)
  const alone = boilsAtIn(bench(0).vessels[0]!.phases, 760)
  expect('atC' in alone && alone.atC).toBeGreaterThan(40)
  expect('atC' in alone && alone.atC).toBeLessThan(60)
  const phases = bench(1).vessels[0]!.phases
  expect(phases.map(({ kind }) => kind).toSorted()).toEqual(['organic', 'watery'])
  expect(densityOf(phases.find(({ kind }) => kind === 'organic')!)).toBeCloseTo(0.65, 6)
})

test('a solid that was extracted into it is left when it is evaporated', () => {
  const { mmol, bench } = look(
    shortPlan(
      {
        solid: { of: 'fluorene', mmol: 5 },
        petrol: { of: 'petroleum ether', mL: 30 },
        water: { of: 'water', mL: 10 },
      },
      [{ op: 'charge', in: '{solid}{petrol}', vessel: funnel }, { op: 'wash', in: '{water}' }, { op: 'evaporate' }],
    ),
  )
  expect(mmol('fluorene')).toBeCloseTo(5, 3)
  expect(
    vesselNamed(bench(), bench().at)!
      .phases.flatMap(({ holds }) => holds)
      .filter(({ thing }) => thing.name === 'petroleum ether')
      .reduce((sum, { amount, thing }) => sum + amount! * thing.gPer, 0),
  ).toBeLessThan(1)
})

test('an oil of which nothing is on record: how it stands with water cannot be told, and where it boils is unknown', () => {
  const oil = { id: 'oil', name: 'an oil', density: { gPerML: 0.9, source: 'the bottle' } }
  const { events, bench } = look(
    shortPlan({ oil: { of: oil, mL: 10 }, water: { of: 'water', mL: 10 } }, [
      { op: 'charge', in: '{oil}', vessel: funnel },
      { op: 'charge', in: '{water}' },
    ]),
  )
  expect(events('cannot be told').length).toBeGreaterThan(0)
  expect(boilsAtIn(bench(0).vessels[0]!.phases, 760)).toHaveProperty('unknown')
})
