/** @jest-environment ./src/test-support/chemistryEnvironment.mjs */
import { Molecule, Reaction } from 'openchemlib'
import { proposalOfStructures, structuresKind } from '@/core/reading/handout/scheme'
import { planFrom } from '@/core/reading/handout/planFrom'
import { nothingSaid, withSaid } from '@/core/reading/handout/decide'
import { refusalOf, structuresOfText } from './structuresOfText'

const [aniline, anhydride, amide, acid] = ['Nc1ccccc1', 'CC(=O)OC(C)=O', 'CC(=O)Nc1ccccc1', 'CC(=O)O']
const scheme = (text: string) => {
  const proposal = proposalOfStructures(text, structuresOfText(text)!)
  return {
    proposal,
    lines: proposal.lines.map(({ role, coefficient, substance }) => `${role} ${coefficient ?? '-'} ${substance!.name}`),
    said: proposal.disagreements.map(({ words }) => words),
  }
}
const whole = ['reactant 1 aniline', 'reactant 1 acetic anhydride', 'product 1 acetanilide', 'by-product 1 acetic acid']
const rxn = (...smiles: string[]) =>
  Reaction.fromMolecules(
    smiles.map((each) => Molecule.fromSmiles(each)),
    2,
  ).toRxn()
const entry = (smiles: string, name: string) =>
  `${name}\n${Molecule.fromSmiles(smiles).toMolfile().split('\n').slice(1).join('\n')}\n> <NAME>\n${name}\n\n$$$$\n`

test('reaction SMILES: records are known by their structure, the same twice counts twice, ions go together', () => {
  expect(scheme(`${aniline}.${anhydride}>>${amide}.${acid}`)).toMatchObject({ lines: whole, said: [] })
  expect(scheme('O=Cc1ccccc1.O=Cc1ccccc1>[Na+].[OH-]>OC(c1ccccc1)C(=O)c1ccccc1 Benzoin')).toMatchObject({
    proposal: { title: 'Benzoin', balanced: true },
    lines: ['reactant 2 benzaldehyde', 'reagent - sodium hydroxide', 'product 1 benzoin'],
  })
})

test('the atoms on both sides are counted', () => {
  const { proposal, said } = scheme(`${aniline}.${anhydride}>>${amide}`)
  expect(proposal.balanced).toBe(false)
  expect(said.join()).toContain('C: 10 on the left, 8 on the right')
})

test('RXN, and of an RDF file the first reaction, with what was not taken', () => {
  const text = rxn(aniline!, anhydride!, amide!, acid!)
  expect(scheme(text).lines).toEqual(whole)
  const file = `$RDFILE 1\n$DATM 01/01/26\n$RFMT $RIREG 1\n${text}$RFMT $RIREG 2\n${text}`
  expect(scheme(file)).toMatchObject({
    lines: whole,
    said: [expect.stringContaining('It holds 2 reactions; the first was read')],
  })
})

test('SDF: substances by their record, else by their own name, with groups and classes of the structure', () => {
  const { proposal, lines } = scheme(entry(amide!, 'x') + entry('Cc1ccc(cc1)C(=O)OCC', 'ethyl 4-methylbenzoate'))
  expect(lines).toEqual(['reagent - acetanilide', 'reagent - ethyl 4-methylbenzoate'])
  expect(proposal.lines[1]!.substance).toMatchObject({ formula: 'C10H12O2', groups: ['ester'] })
  expect(planFrom(withSaid(proposal, nothingSaid)).substances).toHaveLength(2)
})

test('a damaged entry is left out and said; a damaged file is refused with words', () => {
  expect(scheme(`${entry(amide!, 'x')}bad\n\n\n  9  9  0  0  0  0  0  0  0  0999 V2000\nM  END\n$$$$\n`).said).toEqual([
    'Entry 2 cannot be read.',
  ])
  for (const text of ['$RXN\nnothing\n', '$RDFILE 1\n', 'Qq>>CC=O']) {
    let words = ''
    try {
      structuresOfText(text)
    } catch (error) {
      words = refusalOf(error)
    }
    expect(words).toMatch(/cannot be read|holds no reaction|neither SMILES/)
  }
})

test.each([
  ['Heat 4.0 g of benzoin.', undefined],
  ['yield > 50 %', undefined],
  ['CCO>>CC=O', 'smiles'],
  ['CCO>>CC=O ethanal\n', 'smiles'],
])('%s is %s', (text, kind) => expect(structuresKind(text)).toBe(kind))
