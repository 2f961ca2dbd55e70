/** @jest-environment ./src/test-support/chemistryEnvironment.mjs */
import { Molecule } from 'openchemlib'
import { substanceRecords } from '@/reference/records'
import { groupsOf } from './functionalGroups'

const groups = (smiles: string) => groupsOf(Molecule.fromSmiles(smiles))

test.each([
  ['ethanol', 'CCO', ['alcohol']],
  ['benzilic acid', 'OC(=O)C(O)(c1ccccc1)c1ccccc1', ['alcohol', 'carboxylic acid']],
  ['acetanilide is no amine', 'CC(=O)Nc1ccccc1', []],
  ['nitrobenzene is no amine', 'O=[N+]([O-])c1ccccc1', []],
  ['pyridine', 'c1ccncc1', ['amine']],
  ['salicylic acid', 'OC(=O)c1ccccc1O', ['phenol', 'carboxylic acid']],
  ['isopentyl acetate', 'CC(=O)OCCC(C)C', ['ester']],
  ['acetic anhydride is neither ester nor ether', 'CC(=O)OC(C)=O', []],
  ['benzaldehyde', 'O=Cc1ccccc1', ['aldehyde']],
  ['benzil', 'O=C(c1ccccc1)C(=O)c1ccccc1', ['ketone', 'ketone']],
  ['bicarbonate is no carboxylic acid', 'OC([O-])=O', []],
])('%s', (_name, smiles, wanted) => expect(groups(smiles)).toEqual(wanted))

test.each(substanceRecords.filter(({ smiles }) => smiles))('$name: the groups on record are those of the structure', (record) =>
  expect(record.groups ?? []).toEqual(groups(record.smiles!)),
)
