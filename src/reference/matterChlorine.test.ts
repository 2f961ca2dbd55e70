/** Bleach with acid, by hand: HOCl + H⁺ + Cl⁻ → Cl₂ + H₂O, a mole of chlorine to the mole of hypochlorite, as far as chloride and acid go. */
import { offBy, totalsOf } from '@/test-support/conserved'
import { everything } from '@/core/matter/verbs'
import { look, shortPlan } from '@/test-support/matter'
import { at } from '@/test-support/planned'

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

/** What each step after the first says of chlorine. */
function bySteps(more: Parameters<typeof shortPlan>[0], steps: Parameters<typeof shortPlan>[1]) {
  const { walked } = look(
    shortPlan({ bleach: { of: 'sodium hypochlorite', mL: 10, form: inWater(1) }, ...more }, [
      { op: 'charge', in: '{bleach}', vessel: { kind: 'conical', sizeML: 100 } },
      ...steps,
    ]),
  )
  return walked.steps
    .slice(1)
    .map(({ events }) =>
      events.flatMap((event) =>
        event.kind === 'gas' && event.thing.name === 'chlorine' ? [event.mmol && Number(event.mmol.toFixed(2))] : [],
      ),
    )
}

test.each([
  [
    'a little chloride that is written gives its part, and how much more comes of what the bleach holds besides nobody can say',
    2,
    [2, null],
  ],
  ['as much chloride as there is bleach leaves nothing open', 10.1, [10]],
] as const)('%s', (_what, molPerL, comes) => {
  const salt = { of: 'sodium chloride', mL: 1, form: inWater(molPerL) }
  const acid = { of: 'sulfuric acid', mL: 10, form: inWater(3) }
  const steps = [
    { op: 'charge' as const, in: '{salt}' },
    { op: 'add' as const, in: '{acid}' },
  ]
  expect(bySteps({ salt, acid }, steps)[1]).toEqual(comes)
})

test.each(['quench', 'wash'] as const)(
  'a gas of which nobody can say how much is told at a %s, and is no figure of nothing',
  (op) => {
    const plan = shortPlan(
      {
        bleach: { of: 'sodium hypochlorite', mL: 10, form: inWater(1) },
        ether: { of: 'diethyl ether', mL: 20 },
        acid: { of: 'sulfuric acid', mL: 10, form: inWater(3) },
      },
      [
        { op: 'charge', in: op === 'wash' ? '{bleach}{ether}' : '{bleach}', vessel: { kind: 'separating funnel', sizeML: 125 } },
        { op, in: '{acid}' },
      ],
    )
    const { advice, fact } = at(plan, 's1')
    expect(advice('gas')!.words).toMatch(op === 'wash' ? /^An unknown amount of chlorine/ : /^Nobody can say how much gas/)
    expect(fact('gas')).toBeUndefined()
  },
)

test('what nobody can say is said once: again where more acid can free more, and not where it stands', () => {
  const acid = { of: 'sulfuric acid', mL: 10, form: inWater(3) }
  const portions = ['10 %', '20 %', '40 %', '30 %'].map((part) => ({ op: 'charge' as const, in: `{acid ${part}}` }))
  // 6 mmol of protons are taken by the bleach's own base; of 18 there are 8 left; of 42 more than the 10 mmol of bleach ask for, and then of 60 no more.
  expect(bySteps({ acid }, portions)).toEqual([[], [null], [null], []])
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
