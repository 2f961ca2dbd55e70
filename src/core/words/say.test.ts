import { sentence } from './sentence'
import { plainWords, sayer } from './say'

const names = [
  ['acetic acid', 'ethanoic acid'],
  ['sodium acetate', 'sodium ethanoate'],
  ['sodium acetate trihydrate', 'sodium ethanoate trihydrate'],
  ['acetanilide', 'N-phenylethanamide'],
  ['toluene', 'methylbenzene'],
  ['diethyl ether', 'ethoxyethane'],
  ['isopentyl acetate', '3-methylbutyl ethanoate'],
] as const

test.each([
  ['Add 5.0 mL, then 20 µL; 1 L of 3 mol/L acid.', 'Add 5.0 cm³, then 20 mm³; 1 dm³ of 3 mol/dm³ acid.'],
  ['10 mL/g and 1.022 g/mL', '10 cm³/g and 1.022 g/cm³'],
  ['LiAlH4, mmol, Label, 25 mLs', 'LiAlH4, mmol, Label, 25 mLs'],
])('volumes: %s', (text, said) => expect(sayer({ ...plainWords, volume: 'cm³' }, names)(text)).toBe(said))

test.each([
  ['glacial acetic acid', 'glacial ethanoic acid'],
  ['Acetic acid first', 'Ethanoic acid first'],
  ['sodium acetate trihydrate', 'sodium ethanoate trihydrate'],
  ['Charge acetanilide.', 'Charge N-phenylethanamide.'],
  ['4-nitrotoluene and toluenes', '4-nitrotoluene and toluenes'],
  ['Diethyl ether, toluene', 'Ethoxyethane, methylbenzene'],
  ['Isopentyl acetate', '3-Methylbutyl ethanoate'],
  ['Acetanilide', 'N-phenylethanamide'],
])('names: %s', (text, said) => expect(sayer({ ...plainWords, names: 'systematic' }, names)(text)).toBe(said))

test.each([
  ['Sulfuric acid, sodium sulfate, bisulfite, sulfur', 'Sulphuric acid, sodium sulphate, bisulphite, sulphur'],
  ['thiosulfate', 'thiosulphate'],
])('spelling: %s', (text, said) => expect(sayer({ ...plainWords, sulfur: 'sulphur' }, names)(text)).toBe(said))

test('as it is written down nothing changes, and saying twice is saying once', () => {
  const text = 'Shake 5 mL acetic acid with sodium sulfate.'
  expect(sayer(plainWords, names)(text)).toBe(text)
  const all = sayer({ volume: 'cm³', names: 'systematic', sulfur: 'sulphur' }, names)
  expect(all(text)).toBe('Shake 5 cm³ ethanoic acid with sodium sulphate.')
  expect(all(all(text))).toBe(all(text))
})

test('words become a sentence, and those that are one stay', () => {
  expect(['damp in a dish', 'Damp in a dish.', 'Is it dry? '].map(sentence)).toEqual([
    'damp in a dish.',
    'Damp in a dish.',
    'Is it dry?',
  ])
})
