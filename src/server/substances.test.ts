/** @jest-environment ./src/test-support/chemistryEnvironment.mjs */
import { Molecule } from 'openchemlib'
import { acetanilide, benzoin } from '@/test-support/plans'
import { Refusal } from './refusal'
import { structureFormats } from './structures/structures'
import { drawStructure } from './structures/structures'
import { findSubstances, readSubstance, substanceCard, substanceList, substancesNear } from './substances'

jest.setTimeout(60_000)

const refusal = async (written: Parameters<typeof readSubstance>[0]): Promise<Refusal> => {
  try {
    await readSubstance(written)
  } catch (error) {
    return error as Refusal
  }
  throw new Error('It was taken.')
}

describe('searching', () => {
  test('what is found carries what a plan needs; its picture is drawn by itself', async () => {
    const [first] = findSubstances('acetic anh')
    expect(first).toMatchObject({
      substance: { id: 'acetic-anhydride', density: { gPerML: 1.082 } },
      synonyms: ['ethanoic anhydride'],
    })
    const { smiles, name } = first!.substance
    expect(await drawStructure(smiles, name)).toContain('<svg role="img" aria-label="Structure of acetic anhydride"')
    expect(first!.molarMass).toBeCloseTo(102.089, 3)
  })

  test('nothing typed finds nothing; at most a dozen are sent', () => {
    expect(findSubstances('  ')).toEqual([])
    // A dozen substances, and three stock solutions after them.
    expect(findSubstances('a')).toHaveLength(15)
  })

  test('brine is found as what it is: salt, at its strength', () => {
    const [first] = findSubstances('brine')
    expect(first).toMatchObject({ substance: { id: 'sodium-chloride' }, form: { kind: 'mass-fraction', fraction: 0.26 } })
    expect(first!.solution).toMatch(/^brine/)
    // What is only like it is offered apart.
    expect(substancesNear('benzaldehide').map(({ substance }) => substance.id)).toContain('benzaldehyde')
  })

  test('the list is in the order of the alphabet, and every entry has a card with full texts', async () => {
    for (const { id } of substanceList.slice(0, 40)) {
      const card = (await substanceCard(id))!
      for (const text of [...card.hazards, ...card.precautions]) expect(text).toMatch(/^(EU)?[HP]\w+(\+P\d+)* [A-Z]/)
    }
    expect(await substanceCard('nothing-of-the-kind')).toBeNull()
  })
})

describe('a substance of one’s own', () => {
  test('a formula alone is enough', async () => {
    const own = await readSubstance({ name: ' Blue salt ', formula: 'CuSO4.5H2O' })
    expect(own).toMatchObject({ substance: { name: 'Blue salt', formula: 'CuSO4.5H2O' }, drawing: null, same: null })
    expect(own.molarMass).toBeCloseTo(249.677, 3)
  })

  test('SMILES gives formula and picture; the same structure under another name is recognised and its values taken', async () => {
    const own = await readSubstance({ name: 'pear essence', structure: 'CC(=O)OCCC(C)C' })
    expect(own).toMatchObject({ same: 'isopentyl acetate', substance: { name: 'pear essence', formula: 'C7H14O2' } })
    expect(own.substance.density!.gPerML).toBe(0.876)
    expect(own.drawing).toContain('<svg')
  })

  test('a molfile is read like the SMILES it came from', async () => {
    const molfile = Molecule.fromSmiles('CC(=O)Nc1ccccc1').toMolfile()
    expect(await readSubstance({ name: 'x', structure: molfile })).toMatchObject({ same: 'acetanilide' })
    expect(await readSubstance({ name: 'x', structure: `${molfile}\n> <NAME>\nx\n\n$$$$\n` })).toMatchObject({
      same: 'acetanilide',
    })
  })

  test('a salt drawn as ions has the formula of both', async () => {
    expect((await readSubstance({ name: 'x', formula: 'C2H3NaO2', structure: '[Na+].CC([O-])=O' })).same).toBe('sodium acetate')
    expect((await readSubstance({ name: 'x', formula: 'C2H3NaO2·3H2O', structure: '[Na+].CC([O-])=O.O.O.O' })).same).toBe(
      'sodium acetate trihydrate',
    )
  })

  test.each([
    [{ name: ' ', formula: 'C' }, 'name', 'Give the substance a name'],
    [{ name: 'x' }, 'formula', 'Give a formula'],
    [{ name: 'x', formula: 'C2Qx5' }, 'formula', 'character 3'],
    [{ name: 'x', formula: 'C2H6', structure: 'CCO' }, 'formula', 'The structure is C2H6O, the formula says C2H6'],
    [{ name: 'x', structure: 'not a structure' }, 'structure', 'neither SMILES'],
    [{ name: 'x', structure: 'C1CC' }, 'structure', 'neither SMILES'],
  ])('%j is refused beside %s: %s', async (written, field, words) => {
    const refused = await refusal(written)
    expect(refused.status).toBe(400)
    expect(refused.details.field).toBe(field)
    expect(refused.message).toContain(words)
  })
})

test('the structures of a plan go out as an SDF that reads back to the same molecules', async () => {
  const entries = (await structureFormats.sdf.write(acetanilide)).split('$$$$\n').filter(Boolean)
  const drawn = acetanilide.substances.filter(({ smiles }) => smiles)
  expect(entries).toHaveLength(drawn.length)
  entries.forEach((entry, at) => {
    expect(entry).toContain(`>  <NAME>\n${drawn[at]!.name}\n`)
    expect(Molecule.fromMolfile(entry).getIDCode()).toBe(Molecule.fromSmiles(drawn[at]!.smiles!).getIDCode())
  })
})

test('a name with line breaks cannot forge an entry of a structure file', async () => {
  const [first, ...rest] = acetanilide.substances
  const forged = { ...acetanilide, substances: [{ ...first!, name: 'aniline\n$$$$\r\nforged' }, ...rest] }
  const entries = (await structureFormats.sdf.write(forged)).split('$$$$\n').filter(Boolean)
  expect(entries).toHaveLength(acetanilide.substances.filter(({ smiles }) => smiles).length)
  expect(entries[0]).toContain('>  <NAME>\naniline $$$$ forged\n')
  expect((await structureFormats.smi.write(forged)).split('\n')[0]).toBe(`${first!.smiles}\taniline $$$$ forged`)
  expect(Molecule.fromMolfile(entries[0]!).getAllAtoms()).toBe(7)
})

describe('structures of a plan that leave it', () => {
  test('RXN: counts, a molfile for each molecule of each coefficient, and every molfile can be read back', async () => {
    const text = await structureFormats.rxn.write(benzoin)
    const [head, ...molfiles] = text.split('$MOL\n')
    // Two benzaldehydes to one benzoin.
    expect(head!.split('\n')).toEqual(['$RXN', 'Benzoin', '      Mozle', '', '  2  1', ''])
    expect(molfiles.map((molfile) => Molecule.fromMolfile(molfile).getMolecularFormula().formula)).toEqual([
      'C7H6O',
      'C7H6O',
      'C14H12O2',
    ])
  })

  test('RXN: a missing structure, or nothing made, is said', async () => {
    const bare = { ...benzoin, substances: benzoin.substances.map(({ smiles: _smiles, ...rest }) => rest) }
    await expect(structureFormats.rxn.write(bare)).rejects.toThrow('benzaldehyde has no structure')
    await expect(structureFormats.rxn.write({ ...benzoin, lines: [] })).rejects.toThrow('Nothing is made')
  })

  test('SMILES: one to a line with its name, each readable', async () => {
    const lines = (await structureFormats.smi.write(acetanilide)).trimEnd().split('\n')
    expect(lines).toContain('CC(=O)Nc1ccccc1\tacetanilide')
    for (const line of lines) expect(Molecule.fromSmiles(line.split('\t')[0]!).getAllAtoms()).toBeGreaterThan(0)
  })
})
