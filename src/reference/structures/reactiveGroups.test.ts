/** @jest-environment ./src/test-support/chemistryEnvironment.mjs */
import { Molecule } from 'openchemlib'
import { substanceRecords } from '@/reference/records'
import { reactiveClassesShown } from './reactiveGroups'

test.each([
  ['an acyl chloride', 'CC(=O)Cl', ['water-reactive', 'acyl halide']],
  ['an anhydride', 'CC(=O)OC(C)=O', ['acid anhydride']],
  ['a peracid', 'CC(=O)OO', ['peroxide', 'organic peroxide']],
  ['an azide', 'CCCN=[N+]=[N-]', ['azide']],
  ['a hydrazine', 'NNc1ccccc1', ['hydrazine']],
  ['an alkyl bromide', 'CCCCBr', ['organic halide']],
  ['an aryl bromide is no such halide', 'Brc1ccccc1', []],
  ['an alkyne with its hydrogen', 'CCCC#C', ['terminal alkyne']],
  ['an alkyne without', 'CC#CC', []],
  ['an amide is no formamide', 'CC(=O)N(C)C', []],
  ['a nitro compound', 'O=[N+]([O-])c1ccccc1', ['nitro compound']],
  ['an ester', 'CCOC(C)=O', []],
])('%s', (_name, smiles, classes) => expect(reactiveClassesShown(Molecule.fromSmiles(smiles))).toEqual(classes))

test.each(substanceRecords.filter(({ smiles }) => smiles))('$name carries what its structure shows', ({ smiles, classes }) =>
  expect(classes).toEqual(expect.arrayContaining(reactiveClassesShown(Molecule.fromSmiles(smiles!)))),
)
