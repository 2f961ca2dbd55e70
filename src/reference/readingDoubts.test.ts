import { counted, decided, nothingSaid, withSaid } from '@/core/reading/handout/decide'
import { nameTable } from '@/core/reading/handout/names'
import { planFrom } from '@/core/reading/handout/planFrom'
import { propose } from '@/core/reading/handout/propose'
import { printed } from '@/core/words/words'
import { lexiconWith } from './shorthand'

const lexicon = lexiconWith()
const table = nameTable(lexicon)
const read = (text: string) => propose(text, lexicon, table)
const titles = (text: string) => read(text).disagreements.map(({ title }) => title)

// 5.4 mL × 0.810 g/mL ÷ 88.15 g/mol = 49.6 mmol; × 130.19 g/mol = 6.46 g.
const ester = (more: string) =>
  `Isopentyl acetate\n\nPlace 5.4 mL of isopentyl alcohol and 8.5 mL of glacial acetic acid in a 25 mL round-bottomed flask. Heat under reflux for 1 h. ${more}`

describe('what the text gets wrong', () => {
  test.each([
    ['a theory that does not follow', ester('Theoretical yield 5.1 g.'), 'The theory does not follow from the amounts.', true],
    ['a theory that follows', ester('Theoretical yield 6.4 g.'), 'The theory does not follow from the amounts.', false],
    ['more than theory allows', ester('Yield 7.0 g.'), 'More than theory allows.', true],
    ['less than theory', ester('Yield 4.6 g.'), 'More than theory allows.', false],
    ['a percentage of another yield', ester('Yield 4.6 g (60 %).'), 'Yield and per cent do not belong together.', true],
    ['its percentage', ester('Yield 4.6 g (71 %).'), 'Yield and per cent do not belong together.', false],
    [
      'a window beside the boiling point',
      ester('Distil and collect at 110-120 °C.'),
      'The window misses the boiling point.',
      true,
    ],
    ['a window around it', ester('Distil and collect at 137-143 °C.'), 'The window misses the boiling point.', false],
    ['a window that ends 2 K below', ester('Distil and collect at 130-140 °C.'), 'The window misses the boiling point.', false],
    ['water of a bath', ester('Remove the rest on a water bath, b.p. 142 °C.'), 'Another boiling point is on record.', false],
    ['another boiling point', ester('B.p. 160 °C.'), 'Another boiling point is on record.', true],
    ['its boiling point', ester('B.p. 142 °C.'), 'Another boiling point is on record.', false],
    ['two times', ester('Then stir for 10 min (for 20 min in winter).'), 'Two times for the same thing.', true],
    ['one time twice', ester('Then stir for 10 min.'), 'Two times for the same thing.', false],
    [
      'moles of another amount',
      'Acetanilide\n\nTo aniline (4.0 mL, 60 mmol) add acetic anhydride (5.0 mL).',
      'An amount does not fit its own moles.',
      true,
    ],
    [
      'its moles',
      'Acetanilide\n\nTo aniline (4.0 mL, 44 mmol) add acetic anhydride (5.0 mL).',
      'An amount does not fit its own moles.',
      false,
    ],
    [
      'a limit that is another',
      'Acetanilide\n\nTo aniline (4.0 mL, 1.0 equiv) add acetic anhydride (3.0 mL).',
      'aniline does not set the limit.',
      true,
    ],
    [
      'the limit',
      'Acetanilide\n\nTo aniline (4.0 mL, 1.0 equiv) add acetic anhydride (5.0 mL).',
      'aniline does not set the limit.',
      false,
    ],
    [
      'a molar mass of another substance',
      'Acetanilide\n\nCompound\tM (g/mol)\tamount\naniline\t113.13\t3.7 g\nacetic anhydride\t102.09\t4.9 g\n\nHeat the aniline with the acetic anhydride for 10 min.',
      'A molar mass that is another one.',
      true,
    ],
    [
      'a coefficient',
      `Benzoin\n\nbenzaldehyde → benzoin\n\nAdd 10 mL of benzaldehyde.`,
      'An equation of the text does not balance.',
      true,
    ],
    [
      'its coefficient',
      `Benzoin\n\n2 benzaldehyde → benzoin\n\nAdd 10 mL of benzaldehyde.`,
      'An equation of the text does not balance.',
      false,
    ],
    [
      'a density of something else',
      'Acetanilide\n\nTo aniline (4.0 mL, 1.22 g/mL) add acetic anhydride (5.0 mL).',
      'Another density is on record.',
      true,
    ],
    [
      'its density',
      'Acetanilide\n\nTo aniline (4.0 mL, 1.02 g/mL) add acetic anhydride (5.0 mL).',
      'Another density is on record.',
      false,
    ],
    [
      'two amounts of one thing',
      'Acetanilide\n\nCompound\tamount\naniline\t3.7 g\nacetic anhydride\t4.9 g\n\nPlace 4.5 g of aniline in a flask and add the acetic anhydride.',
      'Two amounts of one thing.',
      true,
    ],
    [
      'too little base',
      ester('Wash with 5 mL of 5 % w/v sodium bicarbonate. Dry over 1 g of sodium sulfate and distil, collecting 137-143 °C.'),
      'Not enough base for the acid.',
      true,
    ],
  ])('%s', (_, text, title, said) => (said ? expect(titles(text)).toContain(title) : expect(titles(text)).not.toContain(title)))
})

describe('what is doubtful asks', () => {
  const asks = (text: string) =>
    read(text).lines.flatMap(({ id, asks: all }) =>
      all.map(({ id: ask, choices }) => `${id}/${ask} ${choices.map(({ label }) => label).join(' | ')}`),
    )
  test.each([
    ['Add 3 mL of conc. nitric acid.', ['nitric-acid/strength 68 %, 1.405 g/mL | 65 %, 1.39 g/mL | 70 %, 1.41 g/mL']],
    ['Add 3 mL of 70 % nitric acid.', []],
    ['Add 20 mL of 10 % sodium hydroxide.', ['sodium-hydroxide/basis 10 % w/v, grams in 100 mL | 10 % w/w, grams in 100 g']],
    ['Add 20 mL of 10 % w/v sodium hydroxide.', []],
    ['Add 20 mL of 95 % ethanol.', []],
    ['Add 20 mL of hydrochloric acid.', [expect.stringMatching(/^hydrochloric-acid\/strength 37 %/)]],
    ['Add 2 drops of acetone.', ['acetone/amount 0.10 mL, at 0.05 mL a drop']],
    ['Add 10-12 mL of acetone.', ['acetone/amount 10 mL | 11.0 mL | 12 mL']],
    ['Add 1,500 mg of benzoin.', ['benzoin/amount 1.500 mg | 1500 mg']],
    ['Add 5.0 g of ground nutmeg.', [expect.stringMatching(/^ground-nutmeg\/which a material of our own, ground nutmeg/)]],
    ['Wash with 10 mL of brine.', []],
  ])('%s', (text, wanted) => expect(asks(text)).toEqual(wanted))

  it('and nothing of it is taken before it is answered; an answer, a change or a leaving out decides', () => {
    const proposal = read('Benzil\n\nHeat 4.0 g of benzoin with 14 mL of conc. nitric acid for 10 min at 95 °C. Yield 3.2 g.')
    const now = withSaid(proposal, nothingSaid)
    expect(planFrom(now).lines.map(({ id }) => id)).not.toContain('nitric-acid')
    const answered = withSaid(proposal, { ...nothingSaid, answers: { 'nitric-acid/strength': 1 } })
    expect(planFrom(answered).lines.find(({ id }) => id === 'nitric-acid')!.form).toMatchObject({ fraction: 0.65, gPerML: 1.39 })
    const changed = withSaid(proposal, { ...nothingSaid, lines: { 'nitric-acid': { form: { kind: 'solution', molPerL: 16 } } } })
    expect(planFrom(changed).lines.find(({ id }) => id === 'nitric-acid')!.form).toEqual({ kind: 'solution', molPerL: 16 })
    const left = withSaid(proposal, { ...nothingSaid, left: ['nitric-acid', 's3'] })
    expect(counted(left).sure).toBe(counted(answered).sure - 2)
    expect(decided(proposal.lines[0]!)).toBe(true)
  })
})

describe('equations', () => {
  const equation = (text: string) =>
    read(text)
      .lines.filter(({ coefficient }) => coefficient !== null)
      .map(({ id, role, coefficient }) => `${role} ${coefficient} ${id}`)
  test.each([
    [
      'one anhydride for one amine',
      'Acetanilide\n\nTo aniline (4.0 mL) add acetic anhydride (5.0 mL).',
      ['reactant 1 aniline', 'reactant 1 acetic-anhydride', 'product 1 acetanilide', 'by-product 1 acetic-acid'],
    ],
    [
      'two to one',
      'Benzoin\n\nAdd benzaldehyde (10 mL) to ethanol (20 mL) with thiamine hydrochloride (1.7 g).',
      ['reactant 2 benzaldehyde', 'product 1 benzoin'],
    ],
    [
      'a solvent that reacts',
      'Isopentyl acetate\n\nMix isopentyl alcohol (5 mL) and acetic acid (8 mL).',
      ['reactant 1 isopentyl-alcohol', 'reactant 1 acetic-acid', 'product 1 isopentyl-acetate', 'by-product 1 water'],
    ],
    [
      'water at the end of a Grignard reaction',
      '2-Methylhexan-2-ol\n\nTo magnesium (1.3 g) in ether (10 mL) add 1-bromobutane (5.4 mL). Add acetone (3.3 mL). Quench with 15 mL of water.',
      [
        'reactant 1 magnesium',
        'reactant 1 n-1-bromobutane',
        'reactant 1 acetone',
        'reactant 1 water',
        'product 1 n-2-methylhexan-2-ol',
        'by-product 1 magnesium-bromide-hydroxide',
      ],
    ],
    [
      'an oxidation',
      'Benzil\n\nHeat 4.0 g of benzoin with 14 mL of nitric acid (70 %).',
      ['reactant 1 benzoin', 'reactant 2 nitric-acid', 'product 1 benzil', 'by-product 2 water', 'by-product 2 nitrogen-dioxide'],
    ],
  ])('%s', (_, text, wanted) => expect(equation(text).sort()).toEqual([...wanted].sort()))
})

describe('what was read follows as fields', () => {
  const plan = (text: string) => {
    const proposal = read(text)
    return planFrom({
      ...proposal,
      lines: proposal.lines.map((line) => ({ ...line, asks: [] })),
      steps: proposal.steps.map((step) => ({ ...step, asks: [] })),
    })
  }
  it('the words name lines and blanks, and nothing is in them twice', () => {
    const { steps } = plan(
      'Benzil\n\nPut 4.0 g of benzoin in a 50 mL flask. Heat on a steam bath for 15 min. Wash the crystals with 3 x 10 mL of water.',
    )
    expect(steps.map(({ text }) => printed(text)).slice(1)).toEqual(
      expect.arrayContaining(['Put {benzoin} in a 50 mL flask.', 'Heat on a steam bath for {@holdMin}.']),
    )
    expect(steps.find(({ kind }) => kind === 'charge')).toMatchObject({
      vessel: { kind: 'round-bottom', sizeML: 50 },
      line: 'benzoin',
    })
    expect(steps.find(({ kind }) => kind === 'hold')).toMatchObject({ holdMin: 15, work: { bath: 'a boiling-water bath' } })
  })
  it('what stands between the verb and the reflux does not make an open heating of it', () => {
    const { steps } = read('Acetanilide\n\nHeat 4.0 mL of aniline with 5.0 mL of acetic anhydride under reflux for 15 min.')
    expect(steps.map(({ operation }) => operation)).toEqual(['assemble', 'charge', 'charge', 'reflux', 'dispose'])
  })
  it('warnings become cautions, and what was not understood stays as words', () => {
    const { steps } = plan('Benzil\n\nAdd 4.0 g of benzoin. Caution: brown gas! The colour is that of old honey.')
    const charge = steps.find(({ kind }) => kind === 'charge')!
    expect(printed(charge.caution!)).toContain('Caution: brown gas!')
    expect(printed(charge.text)).toContain('The colour is that of old honey.')
  })
  it('ratios, mole per cent and equimolar amounts count from what the text counts from', () => {
    const { lines } = plan(
      'Acetanilide\n\nTo aniline (4.0 mL, 1.0 equiv) add acetic anhydride (1.2 equiv) and zinc dust (3 mol %). Add an equimolar amount of sodium acetate.',
    )
    expect(lines.map(({ id, anchor }) => [id, anchor])).toEqual(
      expect.arrayContaining([
        ['acetic-anhydride', { of: 'ratio', ratio: 1.2, decimals: 1 }],
        ['zinc', { of: 'mol-percent', percent: 3, decimals: 0 }],
        ['sodium-acetate', { of: 'ratio', ratio: 1, decimals: 0 }],
      ]),
    )
  })
  it('what only the text’s own list names is known where the text speaks of it again', () => {
    const proposal = read(
      'Recrystallising 4-methylbenzoic acid\n\n- Crude acid: 2.5 g\n- Ethanol: 15 mL\n\nPlace the crude acid in a 50 mL Erlenmeyer flask and add 10 mL of ethanol.',
    )
    const charge = proposal.steps.find(({ operation }) => operation === 'charge')!
    expect(charge.lines.map(({ id }) => id)).toEqual(['crude-acid'])
    expect(proposal.lines.find(({ id }) => id === 'crude-acid')!.asks[0]!.choices[0]!.label).toBe(
      'a material of our own, Crude acid',
    )
    expect(proposal.steps[1]!.parts).toEqual({ ethanol: 10 / 15 })
  })
  it('a table of a spreadsheet becomes lines, and the text names them without an amount', () => {
    const { lines } = plan('Substance,Amount\naniline,4.0 mL\n"acetic anhydride",5.0 mL\n')
    expect(lines.map(({ id }) => id)).toEqual(expect.arrayContaining(['aniline', 'acetic-anhydride']))
    const columns = plan('name\tmass / g\tmmol\nbenzoin\t4.0\t18.8\n')
    expect(columns.lines[0]).toMatchObject({ id: 'benzoin', anchor: { of: 'mass', quantity: { value: 4, unit: 'g' } } })
  })
})
