/** The reader never crashes: over texts put together by chance from what handouts of any country say, from names it does not know, and from words that are none. */
import { often } from '@/test-support/often'
import fc from 'fast-check'
import { nameTable } from '@/core/reading/handout/names'
import { nothingSaid, withSaid } from '@/core/reading/handout/decide'
import { planFrom } from '@/core/reading/handout/planFrom'
import { propose } from '@/core/reading/handout/propose'
import { lexiconWith } from './shorthand'

const lexicon = lexiconWith()
const table = nameTable(lexicon)

/** Of no record: natural materials, trade names, things that are no substance, names in other languages. */
const unknown = [
  'tea leaves',
  'orange peel',
  'cloves',
  'juniper berries',
  'reagent A',
  'reagent B',
  'Zucker',
  'savon noir',
  'compound 3a',
  'the pink stuff',
]
const known = [
  'water',
  'ethanol',
  'dichloromethane',
  'acetic anhydride',
  'aniline',
  'sodium carbonate',
  'hydrochloric acid',
  'benzaldehyde',
  'sulfuric acid',
  'diethyl ether',
  'isopentyl alcohol',
  'caffeine',
  'limonene',
  'eugenol',
]
const titles = [
  'Caffeine from tea leaves',
  'Limonene from orange peel',
  'Eugenol from cloves',
  'The oil of juniper',
  'Preparation of acetanilide',
  'Synthesis of something',
  'Recrystallisation',
  'Untitled',
  '',
  'Test day',
  'Isopentyl acetate',
]
const amounts = [
  '2 g',
  '10 mL',
  '250 mg',
  '1.5 eq',
  '0.02 mol',
  '10 % aqueous',
  '5,0 cm³',
  'a little',
  'excess',
  '½ spatula',
  '3 × 20 mL',
  '37 %',
  '1e9 g',
  '0 g',
  '2-3 drops',
]
const deeds = [
  (a: string, b: string) => `Add ${a} to ${b}.`,
  (a: string, b: string) => `Heat ${a} with ${b} under reflux for 30 min`,
  (a: string, b: string) => `Dissolve ${a} in ${b}; stir at 0-5 °C for 1 h.`,
  (a: string) => `Extract with ${a}.`,
  (a: string) => `Wash the organic layer with ${a}, dry it and distil at 140 °C.`,
  (a: string, b: string) => `${a} (${b}) were placed in a flask`,
  (a: string) => `Filter off ${a}, m.p. 114 °C, yield 75 %.`,
  (a: string, b: string) => `${a}\t${b}\t`,
  (a: string) => `1. ${a}:`,
  () => 'It was a dark and stormy night.',
  () => '((((',
  () => '{@x} {y',
  () => '\u0000\uFFFF 漢字 🙂',
]

const pick = <T>(of: readonly T[]) => fc.constantFrom(...of)
const substance = fc.tuple(pick(amounts), fc.oneof(pick(unknown), pick(known))).map(([amount, name]) => `${amount} ${name}`)
const sentence = fc.tuple(pick(deeds), substance, substance).map(([deed, a, b]) => deed(a, b))
const text = fc
  .tuple(pick(titles), fc.array(sentence, { maxLength: 5 }), pick([' ', '\n', '\n\n']))
  .map(([title, sentences, between]) => [title, sentences.join(between)].filter(Boolean).join('\n\n'))

test('texts put together by chance are read without a fault, and nothing in them is a number that is none', () => {
  fc.assert(
    fc.property(text, (written) => {
      const proposal = propose(written, lexicon, table)
      expect(JSON.stringify(proposal)).not.toMatch(/NaN|Infinity/)
      planFrom(withSaid(proposal, nothingSaid))
    }),
    { numRuns: often(300, 10_000), seed: 33 },
  )
})

test.each([
  [
    'Caffeine from tea leaves',
    'Boil 20 g of tea leaves with 200 mL of water for 15 min. Extract with 3 × 20 mL of dichloromethane.',
    'isolates',
  ],
  ['Aspirin', 'Mix 5 g of reagent A with 10 mL of reagent B.', 'works'],
])('%s: names without a record stand as lines', (title, body, does) => {
  const proposal = propose(`${title}\n\n${body}`, lexicon, table)
  expect(proposal.lines.filter(({ follows }) => !follows).length).toBeGreaterThanOrEqual(2)
  expect(proposal.does).toBe(does)
})
