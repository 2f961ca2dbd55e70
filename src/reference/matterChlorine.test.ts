/** Bleach with acid, by hand: HOCl + H⁺ + Cl⁻ → Cl₂ + H₂O, a mole of chlorine to the mole of hypochlorite, as far as chloride and acid go. */
import { offBy, totalsOf } from '@/test-support/conserved'
import { everything } from '@/core/matter/verbs'
import { look, shortPlan } from '@/test-support/matter'

const inWater = (molPerL: number) => ({ kind: 'solution' as const, molPerL, gPerML: 1 })

function chlorine(acid: string, molPerL: number) {
  const { walked } = look(
    shortPlan(
      {
        bleach: { of: 'sodium hypochlorite', mL: 10, form: inWater(1) },
        acid: { of: acid, mL: 10, form: inWater(molPerL) },
      },
      [
        { op: 'charge', in: '{bleach}', vessel: { kind: 'conical', sizeML: 100 } },
        { op: 'add', in: '{acid}' },
      ],
    ),
  )
  const bench = walked.steps.at(-1)!.after
  expect(offBy(totalsOf(bench.brought), totalsOf(everything(bench)))).toBeLessThan(1e-9)
  return walked.steps[1]!.events.flatMap((event) => (event.kind === 'gas' ? [[event.thing.name, event.mmol] as const] : []))
}

test('10 mmol of bleach and 60 of hydrochloric acid give 10 mmol of chlorine', () => {
  const [[name, mmol] = []] = chlorine('hydrochloric acid', 6)
  expect(name).toBe('chlorine')
  expect(mmol).toBeCloseTo(10, 3)
})

test('12 mmol of acid: 10 neutralise the bleach first, half of what is left brings its own chloride', () => {
  // 10 mmol of hypochlorite become hypochlorous acid with 10 mmol of acid; two protons are left, and a proton goes with each chlorine.
  const [[name, mmol] = []] = chlorine('hydrochloric acid', 1.2)
  expect(name).toBe('chlorine')
  expect(mmol).toBeCloseTo(2, 1)
})

test('with an acid that brings no chloride there is gas all the same, and nobody can say how much: bleach holds chloride as a rule', () => {
  expect(chlorine('sulfuric acid', 3)).toContainEqual(['chlorine', null])
})

test('water of which only the volume is known is water all the same: 10 mL are 554 mmol', () => {
  const { mmol } = look(
    shortPlan({ water: { of: { id: 'water', name: 'water', formula: 'H2O' }, mL: 10 } }, [
      { op: 'charge', in: '{water}', vessel: { kind: 'conical', sizeML: 100 } },
    ]),
  )
  // 10 mL × 0.998 g/mL ÷ 18.015 g/mol
  expect(mmol('water')).toBeCloseTo(554, 0)
})
