import { happenings } from '@/core/measurements/calls'
import { addLine } from '@/core/plan/editPlan'
import { acetanilide } from '@/test-support/plans'
import { firstAidFor } from './firstAid'
import { forPlan, substanceRecords } from './records'

const withSubstance = (id: string) => addLine(acetanilide, forPlan(substanceRecords.find((each) => each.id === id)!), 'reagent')

test('after a burn the first words are about the burn, never about swallowing', () => {
  const aid = firstAidFor(acetanilide)
  expect(aid['heat burn'][0]).toBe('Cool it at once under cool running water for 20 minutes.')
  for (const what of happenings.filter((each) => each !== 'swallowed')) expect(aid[what].join(' ')).not.toMatch(/swallowed/)
  expect(aid.swallowed[0]).toMatch(/^If swallowed/)
  expect(aid['chemical in the eye'][0]).toMatch(/^If in eyes/)
  expect(aid['breathed in'][0]).toMatch(/^If inhaled/)
  for (const what of happenings) expect(aid[what].at(-1)).toMatch(/the demonstrator/)
})

test.each([
  ['acetyl-chloride', 'chemical on the skin', /acetyl chloride: it reacts with water: first brush or wipe it off dry/],
  ['acetyl-chloride', 'spill', /No water on it/],
  ['phenol', 'chemical on the skin', /phenol: it goes through the skin/],
  ['bromine', 'breathed in', /bromine: fresh air/],
] as const)('what is known of %s changes what is done: %s', (id, what, words) => {
  expect(firstAidFor(withSubstance(id))[what][0]).toMatch(words)
  expect(firstAidFor(acetanilide)[what][0]).not.toMatch(words)
})

test('hydrofluoric acid asks for help also where nothing hurts', () => {
  const hf = addLine(acetanilide, { id: 'hydrofluoric-acid', name: 'hydrofluoric acid', formula: 'HF' }, 'reagent')
  expect(firstAidFor(hf)['chemical on the skin'][0]).toMatch(/calcium gluconate.*also where nothing hurts/)
})
