import fc from 'fast-check'
import { substanceRecords } from '@/reference/records'
import { madeUp } from './madeUp'

const of = (id: string) => substanceRecords.find((each) => each.id === id)!
const words = (id: string, strength: string, volume: string, from = '') => {
  const answer = madeUp({ substance: of(id), strength, volume, from })
  return answer === null ? null : 'problem' in answer ? answer.problem : answer.words
}

test.each([
  // 37 % × 1.18 g/mL ÷ 36.458 g/mol = 11.98 mol/L; 2 mol/L × 250 mL ÷ 11.98 = 41.8 mL.
  [
    'hydrochloric-acid',
    '2 mol/L',
    '250',
    '37 %',
    'Take 41.8 mL of hydrochloric acid, 37 % w/w solution (12.0 mol/L) and make it up to 250 mL.',
  ],
  [
    'hydrochloric-acid',
    '2',
    '250 mL',
    '',
    'Take 41.8 mL of hydrochloric acid, 37 % w/w solution (12.0 mol/L) and make it up to 250 mL.',
  ],
  [
    'hydrochloric-acid',
    '2 M',
    '0.25 L',
    '12 M',
    'Take 41.7 mL of hydrochloric acid, 12 mol/L solution and make it up to 250 mL.',
  ],
  // 10 % at 1.047 g/mL: 2.872 mol/L × 100 ÷ 11.98.
  [
    'hydrochloric-acid',
    '10 %',
    '100',
    '',
    'Take 24.0 mL of hydrochloric acid, 37 % w/w solution (12.0 mol/L) and make it up to 100 mL.',
  ],
  // 5 g in 100 mL of sodium hydrogencarbonate.
  ['sodium-bicarbonate', '5 % w/v', '200', '', 'Take 10.0 g of sodium bicarbonate and make it up to 200 mL.'],
  ['sodium-bicarbonate', '50 g/L', '200', '', 'Take 10.0 g of sodium bicarbonate and make it up to 200 mL.'],
  ['hydrochloric-acid', '2', '250', 'strong', /no strength.*37 %/],
  ['hydrochloric-acid', '13', '250', '', /11\.98 mol\/L is not stronger/],
  ['hydrobromic-acid', '1', '100', '', /comes as a solution. Say how strong/],
  ['sodium-bicarbonate', '5 %', '100', '', /density is not known here.*% w\/v/],
  ['hydrochloric-acid', '2 % v/v', '250', '', /By volume alone/],
  ['hydrochloric-acid', '2', 'much', '', /A volume is a number/],
  ['hydrochloric-acid', '', '250', '', null],
] as const)('%s, %s, %s mL from “%s”', (id, strength, volume, from, expected) => {
  const said = words(id, strength, volume, from)
  if (expected instanceof RegExp) expect(said).toMatch(expected)
  else expect(said).toBe(expected)
})

test('moles are thinned to moles without knowing of what; anything else needs the substance', () => {
  const thin = (strength: string, from: string) => madeUp({ substance: undefined, strength, volume: '250', from })
  expect(thin('1', '6')).toMatchObject({ words: 'Take 41.7 mL of the 6 mol/L solution and make it up to 250 mL.' })
  expect(thin('1', '0.5')).toEqual({ problem: '0.50 mol/L is not stronger than 1 mol/L.' })
  for (const [strength, from] of [
    ['1', ''],
    ['1', '37 %'],
    ['5 % w/v', '6'],
  ] as const)
    expect(thin(strength, from)).toMatchObject({ problem: expect.stringContaining('Choose the substance') })
})

test('whatever is typed, no figure is printed that is none', () => {
  const typed = fc.oneof(
    fc.constantFrom(
      '',
      '0',
      '-1',
      '2',
      '37 %',
      '5 % w/v',
      '1e309',
      '1e-309',
      'NaN',
      '∞',
      '12 M',
      '48 %, 1.49 g/mL',
      '100 %',
      '0 %',
      '1/0',
      '50 g/L',
      '.',
    ),
    fc.string({ maxLength: 8 }),
  )
  fc.assert(
    fc.property(fc.constantFrom(...substanceRecords), typed, typed, typed, (substance, strength, volume, from) => {
      const answer = madeUp({ substance, strength, volume, from })
      if (answer && 'words' in answer)
        expect(`${answer.words} ${answer.how}`).not.toMatch(/NaN|Infinity|undefined|[-−]0(?![.\d])/)
    }),
    { numRuns: 3000, seed: 33 },
  )
})
