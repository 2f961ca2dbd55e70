import { ionsIn, shapesIn, type Shape } from './shapes'
import { hydrogensOf, partsOf, sameStructure, structureOf } from './structure'

const hydrogens = (smiles: string) => structureOf(smiles)!.reduce((sum, atom) => sum + hydrogensOf(atom), 0)

describe('a structure', () => {
  // Hydrogens counted by hand on the drawing.
  test.each([
    ['CCO', 6],
    ['OC(=O)c1ccccc1', 6],
    ['c1ccc2ccccc2c1', 8],
    ['c1ccncc1', 5],
    ['c1cc[nH]c1', 5],
    ['Cn1cccc1', 7],
    ['c1ccsc1', 4],
    ['c1ccoc1', 4],
    ['CS(C)=O', 6],
    ['OS(=O)(=O)O', 2],
    ['OP(=O)(O)O', 3],
    ['[O-][N+](=O)c1ccccc1', 5],
    ['[NH4+].[Cl-]', 4],
    ['C[C@H](N)C(=O)O', 7],
    ['C/C=C/C', 8],
    ['C%10CCCCC%10', 12],
    ['[13CH4]', 4],
  ])('%s has %i hydrogens', (smiles, count) => expect(hydrogens(smiles)).toBe(count))

  test.each(['', 'C(', 'C)', 'C1CC', '1CC', 'C=', '[Xx', 'C C', 'hello', 'C$'])('“%s” is none', (text) => {
    expect(structureOf(text)).toBeNull()
    expect(shapesIn(text).size).toBe(0)
    expect(ionsIn(text)).toBe(1)
  })

  test('falls into the parts that no bond joins', () => {
    expect(partsOf(structureOf('[Na+].CC(=O)[O-].O')!).map((part) => part.length)).toEqual([1, 4, 1])
    expect(partsOf(structureOf('C1CC1')!)).toEqual([[0, 1, 2]])
  })
})

test('two ways of writing a structure are one structure; another is another', () => {
  for (const [one, other] of [
    ['CCO', 'OCC'],
    ['CC(=O)Nc1ccccc1', 'c1ccccc1NC(C)=O'],
    ['C1CCCCC1', 'C3CCCCC3'],
    ['[Na+].[Cl-]', '[Cl-].[Na+]'],
    ['C(C)(C)O', 'CC(C)O'],
    ['nonsense', 'nonsense'],
  ] as const)
    expect([one, other, sameStructure(one, other)]).toEqual([one, other, true])
  for (const [one, other] of [
    ['CCO', 'COC'],
    ['CCCO', 'CC(C)O'],
    ['C1CCCCC1', 'C1CC1C1CC1'],
    ['CCN', 'CC[NH3+]'],
    ['Cc1ccccc1C', 'Cc1cccc(C)c1'],
    ['C=CC', 'CCC'],
    ['nonsense', 'CC'],
    [undefined, undefined],
    ['CC', undefined],
  ] as const)
    expect([one, other, sameStructure(one, other)]).toEqual([one, other, false])
})

describe('what a structure has', () => {
  const has = (smiles: string, ...shapes: Shape[]) => expect([...shapesIn(smiles)].sort()).toEqual([...shapes].sort())

  test('is the same however it is written', () => {
    for (const smiles of ['CC(=O)Nc1ccccc1', 'O=C(C)Nc1ccccc1', 'c1ccccc1NC(C)=O', 'N(c1ccccc1)C(=O)C', 'C1=CC=CC=C1NC(C)=O'])
      expect([smiles, shapesIn(smiles).has('amide')]).toEqual([smiles, true])
    // An amine across the ring from an ester is no amide, whichever end is written first.
    for (const smiles of ['CCOC(=O)c1ccc(N)cc1', 'Nc1ccc(cc1)C(=O)OCC', 'Nc1ccc(C(=O)OCC)cc1']) has(smiles)
    for (const smiles of ['COC(=O)c1cccc([N+](=O)[O-])c1', 'O=[N+]([O-])c1cccc(c1)C(=O)OC', 'COC(=O)c1cccc(N(=O)=O)c1'])
      has(smiles, 'nitro compound')
    for (const smiles of ['CC(=O)OC(C)=O', 'CC(=O)OC(=O)C', 'O(C(C)=O)C(C)=O', 'O=C1CCC(=O)O1', 'O=C1OC(=O)c2ccccc12'])
      has(smiles, 'acid anhydride')
    for (const smiles of ['CC(Cl)=O', 'CC(=O)Cl', 'ClC(C)=O', 'O=C(C)Cl', 'BrC(=O)c1ccccc1']) has(smiles, 'acyl halide')
  })

  test('a halide or an alcohol on a carbon that stands on a ring, however the ring is drawn', () => {
    for (const smiles of ['ClCc1ccccc1', 'C1=CC=CC=C1CCl', 'BrCc1ccc(C)cc1']) has(smiles, 'benzyl halide')
    for (const smiles of ['OCc1ccccc1', 'C1=CC=CC=C1CO']) has(smiles, 'benzyl alcohol')
    for (const smiles of ['CC(Cl)C', 'CC(=O)CCl', 'OCC1CCCCC1', 'Clc1ccccc1C']) has(smiles)
    has('CC#N', 'nitrile')
    has('C[N+](=O)[O-]', 'nitroalkane', 'nitro compound')
    has('O=[N+]([O-])c1ccccc1', 'nitro compound')
  })

  test('and not what only looks like it', () => {
    has('CC(=O)OCC')
    has('CC(=O)CCl')
    has('[Na+].[O-]C(=O)c1ccccc1')
    has('CO[N+](=O)[O-]')
    has('CC(=O)OCOC(C)=O')
    has('c1ccccc1')
    has('[O-]C(=O)C[NH3+]')
    has('O')
  })

  test('of an aromatic ring drawn with double bonds no alkene, of a ring with fewer one', () => {
    for (const smiles of ['C1=CC=CC=C1', 'C1=CC=C2C=CC=CC2=C1', 'C1=COC=C1', 'CN1C=CC=C1', 'C1=CN=CC=C1']) has(smiles)
    for (const smiles of ['C1=CCCCC1', 'C1=CC=CCC1', 'C1C=CC=C1', 'O=C1C=CC(=O)C=C1', 'C=Cc1ccccc1', 'C1=CC=CC=CC=C1'])
      has(smiles, 'alkene')
  })

  test('peroxides, azides, diazonium salts, alkenes', () => {
    has('OO', 'peroxide')
    has('CC(C)(C)OO', 'peroxide', 'organic peroxide')
    has('O=C(OOC(=O)c1ccccc1)c1ccccc1', 'peroxide', 'organic peroxide')
    has('[K+].[K+].[O-]S(=O)(=O)OOS([O-])(=O)=O', 'peroxide')
    has('[Na+].[N-]=[N+]=[N-]', 'azide')
    has('CCN=[N+]=[N-]', 'azide')
    has('[Cl-].N#[N+]c1ccccc1', 'diazonium salt')
    has('C=[N+]=[N-]')
    has('CC(=C)C1CCC(C)=CC1', 'alkene')
    // Drawn with a double bond or with charges; 2-mercaptoethanol has the same formula, a sulfone one oxygen more.
    has('CS(C)=O', 'sulfoxide')
    has('C[S+](C)[O-]', 'sulfoxide')
    has('OCCS')
    has('CS(C)(=O)=O')
    has('COSC')
    has('CN(C)C=O', 'amide', 'dialkylformamide')
    has('CNC=O', 'amide', 'amide with N–H')
    has('CN(C)C(C)=O', 'amide')
  })

  test('a salt gives as many ions as it has parts, its water apart; what is neutral gives none', () => {
    expect(ionsIn('[Na+].[Cl-]')).toBe(2)
    expect(ionsIn('[Na+].[Na+].[O-]S([O-])(=O)=O.O.O')).toBe(3)
    expect(ionsIn('COC(=O)c1cccc([N+](=O)[O-])c1')).toBe(1)
    expect(ionsIn('COC(=O)c1cccc([N+](=O)[O-])c1.CCO')).toBe(1)
    expect(ionsIn('Cl.NNC(N)=O')).toBe(1)
    expect(ionsIn(undefined)).toBe(1)
  })
})
