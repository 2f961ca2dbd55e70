import { acetanilide } from '@/test-support/plans'
import { reactionTable } from '../reaction/reactionTable'
import { scalePlan } from '../edit/scalePlan'
import type { Form } from '../plan/plan'
import { groupsServed, holds, stuffOf, type Bottle } from './bottle'

const bottle = (part: Partial<Bottle>): Bottle => ({
  id: 'b',
  substance: 'aniline',
  formula: 'C6H7N',
  form: { kind: 'neat', purity: 0.99 },
  left: { value: 100, unit: 'mL', decimals: 0 },
  place: 'cupboard 2',
  changedAt: '2026-11-24T08:00:00Z',
  changedBy: 'someone',
  ...part,
})
const table = reactionTable(acetanilide)

test.each([
  // 100 mL ÷ 4.00 mL
  ['100 mL by volume', bottle({}), 25],
  // 4.00 mL × 1.022 g/mL = 4.088 g; 100 ÷ 4.088 = 24.46
  ['100 g by mass', bottle({ left: { value: 100, unit: 'g', decimals: 0 } }), 24],
  ['3.9 mL serve nobody', bottle({ left: { value: 3.9, unit: 'mL', decimals: 1 } }), 0],
  // 80 mL cold and 98 mL hot: 1000 ÷ 178 = 5.6
  [
    'water stands in two lines',
    bottle({ substance: 'water', formula: 'H2O', left: { value: 1000, unit: 'mL', decimals: 0 } }),
    5,
  ],
  ['a substance that the plan does not use', bottle({ substance: 'toluene', formula: 'C7H8' }), null],
  ['another form of it', bottle({ form: { kind: 'solution', molPerL: 2 } }), null],
])('%s', (_words, one, groups) => expect(groupsServed(one, acetanilide, table)).toBe(groups))

test('twice the scale serves half as many', () => {
  const twice = scalePlan(acetanilide, 2)
  expect(groupsServed(bottle({}), twice, reactionTable(twice))).toBe(12)
})

test('isomers are not one another: of a formula with carbon the name counts, of any other it does not', () => {
  const [aniline] = table.lines
  const line = (substance: { name: string; systematicName?: string; formula: string }) => ({
    ...aniline!,
    substance: { ...aniline!.substance, ...substance },
  })
  const ether = line({ name: 'diethyl ether', systematicName: 'ethoxyethane', formula: 'C4H10O' })
  const label = (substance: string, formula: string | null = 'C4H10O', recordName?: string) =>
    bottle({ substance, formula, ...(recordName ? { recordName } : {}) })
  expect(holds(label('Diethyl ether'), ether)).toBe(true)
  expect(holds(label('ethoxyethane'), ether)).toBe(true)
  expect(holds(label('ether', 'C4H10O', 'diethyl ether'), ether)).toBe(true)
  expect(holds(label('diethyl ether', null), ether)).toBe(true)
  expect(holds(label('butan-1-ol'), ether)).toBe(false)
  expect(holds(label('tert-butyl alcohol'), ether)).toBe(false)
  // The name is the same and the formula another: one of the two is wrong.
  expect(holds(label('diethyl ether', 'C4H8O'), ether)).toBe(false)
  const salt = line({ name: 'sodium chloride', formula: 'NaCl' })
  expect(holds(label('common salt', 'NaCl'), salt)).toBe(true)
  const neat: Form = { kind: 'neat', purity: 1 }
  expect(stuffOf({ name: 'propan-1-ol', formula: 'C3H8O' }, neat)).not.toBe(
    stuffOf({ name: 'propan-2-ol', formula: 'C3H8O' }, neat),
  )
  expect(stuffOf({ name: 'Propan-2-ol', formula: 'C3H8O' }, neat)).toBe(stuffOf({ name: 'propan-2-ol', formula: 'C3H8O' }, neat))
  expect(stuffOf({ name: 'salt', formula: 'NaCl' }, neat)).toBe(stuffOf({ name: 'sodium chloride', formula: 'NaCl' }, neat))
})

test('what has no formula is known by its name, and strengths must agree', () => {
  const [aniline] = table.lines
  expect(holds(bottle({ formula: null }), aniline!)).toBe(true)
  expect(holds(bottle({ formula: null, substance: 'seed' }), aniline!)).toBe(false)
  const acid = {
    ...aniline!,
    line: { ...aniline!.line, form: { kind: 'mass-fraction' as const, fraction: 0.37, gPerML: 1.18, source: 'x' } },
  }
  expect(holds(bottle({ form: { kind: 'mass-fraction', fraction: 0.37, gPerML: 1.19, source: 'y' } }), acid)).toBe(true)
  expect(holds(bottle({ form: { kind: 'mass-fraction', fraction: 0.1, gPerML: 1.05, source: 'y' } }), acid)).toBe(false)
})
