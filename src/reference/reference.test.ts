/** @jest-environment ./src/test-support/chemistryEnvironment.mjs */
/** Walks every record that ships: what it says must agree with itself. */
import fc from 'fast-check'
import { Molecule } from 'openchemlib'
import { boilingPointC, vapourPressureMmHg } from '@/core/substance/antoine'
import { molarMass } from '@/core/substance/molarMass'
import { readFormula } from '@/core/substance/readFormula'
import { ionsIn, shapesIn } from '@/core/substance/shapes'
import { hydrogensOf, sameStructure, structureKey, structureOf } from '@/core/substance/structure'
import { atomsOfParts } from '@/core/substance/sameAtoms'
import { nearestSubstances, plainName, searchSubstances, substanceIndex } from '@/core/substance/search'
import { type SubstanceRecord } from '@/core/substance/record'
import { knownClasses } from '@/core/reaction/reactiveClasses'
import type { ReactiveClass } from '@/core/substance/reactiveClass'
import { wasteStreams } from '@/core/substance/lists'
import {
  hazardStatements,
  precautionaryStatements,
  precautionsFor,
  readStatements,
  signalOf,
  statementText,
} from './hazardStatements'
import { pictogramsOf } from './pictograms'
import { usualSolvents } from '@/core/operations/crystallise/usualSolvents'
import { cautionOf, crystallisationSolvents, forPlan, substanceRecords } from './records'

const each = substanceRecords.map((record) => [record.id, record] as const)

test('there are at least 300 records, each with an id of its own', () => {
  expect(substanceRecords.length).toBeGreaterThanOrEqual(300)
  expect(new Set(substanceRecords.map(({ id }) => id)).size).toBe(substanceRecords.length)
})

test('no two records share a name or a structure', () => {
  const names = substanceRecords.flatMap(({ name, synonyms }) => [name, ...(synonyms ?? [])].map(plainName))
  expect(names.filter((name, at) => names.indexOf(name) !== at)).toEqual([])
  const codes = substanceRecords.flatMap(({ smiles }) => (smiles ? [Molecule.fromSmiles(smiles).getIDCode()] : []))
  expect(codes.filter((code, at) => codes.indexOf(code) !== at)).toEqual([])
})

test.each(each)('%s: the formula is that of the structure', (_id, { formula, smiles }) => {
  // A mixture has none, and then no structure either.
  if (formula === undefined) return expect(smiles).toBeUndefined()
  expect(molarMass(formula)).toBeGreaterThan(1)
  if (!smiles) return
  const drawn = Molecule.fromSmiles(smiles).getMolecularFormula().formula
  expect(atomsOfParts(drawn)).toEqual(readFormula(formula).atoms)
})

test.each(each)('%s: the rules read the same structure, however it is written', (_id, { formula, smiles }) => {
  if (!smiles) return
  const read = structureOf(smiles)!
  const atoms: Record<string, number> = {}
  const count = (symbol: string, many: number) => many > 0 && (atoms[symbol] = (atoms[symbol] ?? 0) + many)
  for (const atom of read) {
    count(atom.symbol, 1)
    count('H', hydrogensOf(atom))
  }
  expect(atoms).toEqual(readFormula(formula!).atoms)
  const molecule = Molecule.fromSmiles(smiles)
  // Caffeine has a ring that one way writes aromatic and the other with double bonds.
  expect(sameStructure(smiles, molecule.toIsomericSmiles())).toBe(smiles !== 'Cn1cnc2c1c(=O)n(C)c(=O)n2C')
  for (const other of [molecule.toSmiles(), molecule.toIsomericSmiles({ kekulizedOutput: true })]) {
    expect([...shapesIn(other)]).toEqual([...shapesIn(smiles)])
    expect(ionsIn(other)).toBe(ionsIn(smiles))
  }
})

test('no two records have the same structure for the rules', () => {
  const keys = substanceRecords.flatMap(({ smiles }) => (smiles ? [structureKey(smiles)] : []))
  // Maleic and fumaric acid are one apart from which side their groups point to.
  expect(keys.filter((key, at) => keys.indexOf(key) !== at)).toEqual([structureKey('OC(=O)C=CC(O)=O')])
})

test.each(each)('%s: values lie inside physical bounds and name a source', (_id, record) => {
  const { density, melting, boiling, pKa, logP, antoine, hazards, waste } = record
  if (density) expect(density.gPerML > 0.4 && density.gPerML < 13).toBe(true)
  if (melting) expect(melting.lowC > -190 && melting.lowC <= melting.highC).toBe(true)
  if (boiling) expect(boiling.lowC > -40 && boiling.lowC <= boiling.highC).toBe(true)
  if (melting && boiling) expect(melting.highC).toBeLessThan(boiling.lowC)
  for (const value of pKa?.values ?? []) expect(value > -11 && value < 50).toBe(true)
  if (logP) expect(Math.abs(logP.value)).toBeLessThan(12)
  expect(wasteStreams).toContain(waste)
  for (const value of [density, melting, boiling, pKa, logP, antoine, hazards, record.incompatible, ...(record.solubility ?? [])])
    if (value) expect(value.source.length).toBeGreaterThan(20)
})

test.each(each)('%s: hazard codes exist and agree with signal word and pictograms', (_id, { hazards }) => {
  if (!hazards) return
  for (const code of hazards.statements) expect(hazardStatements[code]).toBeDefined()
  expect(hazards.pictograms).toEqual(pictogramsOf(hazards.statements))
  const decided = signalOf(hazards.statements)
  if (decided !== 'asked') expect([_id, hazards.signal]).toEqual([_id, decided])
})

test.each(each)('%s: it carries its classes, and those that its formula and its groups show', (_id, record) => {
  const { classes: said, ...rest } = record
  expect(said).toBeDefined()
  expect(said).toEqual(expect.arrayContaining(knownClasses(rest).classes))
})

/** What a class makes one expect on the label. Not all of them bear it: those that do not were looked at one by one. */
const expected: [what: ReactiveClass, codes: RegExp, decided: string[]][] = [
  ['alkali metal', /^H260$/, []],
  ['hydride', /^H260$/, []],
  ['acyl halide', /^H314$/, []],
  ['cyanide', /^H300$/, []],
  ['azide', /^H300$/, []],
  ['strong acid', /^H31[45]$|^H290$/, []],
  ['strong base', /^H314$|^H318$/, []],
  ['hypochlorite', /^EUH031$/, []],
  ['sulfite', /^EUH031$/, []],
  ['permanganate', /^H272$/, []],
  ['chromium(VI)', /^H350$/, []],
  ['organic peroxide', /^H24\d$/, []],
  ['nitrate', /^H272$/, []],
  ['nitrite', /^H272$/, []],
  // By the regulation not every ether that forms peroxides bears the statement.
  ['peroxide former', /^EUH019$/, []],
  ['hydrocarbon', /^H304$|^H2\d\d$|^H4|^H3/, ['diphenylacetylene', 'trans-stilbene', 'anthracene', 'fluorene']],
]
test.each(expected)('the label of every %s says so, or somebody has decided why not', (what, codes, decided) => {
  const silent = substanceRecords.filter(
    ({ classes, hazards }) => classes?.includes(what) && !hazards?.statements.some((code) => codes.test(code)),
  )
  expect(silent.map(({ id }) => id).filter((id) => !decided.includes(id))).toEqual([])
})

test('what is meant for a container of its own goes there', () => {
  const streamOf = (id: string) => substanceRecords.find((record) => record.id === id)!.waste
  for (const { id, classes } of substanceRecords) {
    const has = (...wanted: ReactiveClass[]) => wanted.some((each) => classes!.includes(each))
    if (has('cyanide')) expect([id, streamOf(id)]).toEqual([id, 'cyanide, alkaline, by itself'])
    if (has('hydride', 'borohydride', 'alkali metal', 'acyl halide', 'organometallic compound', 'azide'))
      expect([id, streamOf(id)]).toEqual([id, 'quenched first, by itself'])
  }
  expect(streamOf('2-4-dinitrophenylhydrazine')).toBe('explosive when dry, kept wet')
  expect(streamOf('diisopropyl-ether')).toBe('peroxide former, by itself')
})

test.each([
  [
    ['H225', 'H319'],
    ['GHS02', 'GHS07'],
  ],
  // Article 26: no exclamation mark beside the skull, nor for irritation beside corrosion, but for the airways.
  [['H301', 'H315'], ['GHS06']],
  [['H314', 'H319'], ['GHS05']],
  [
    ['H314', 'H335'],
    ['GHS05', 'GHS07'],
  ],
  [
    ['H270', 'H280', 'H330'],
    ['GHS03', 'GHS04', 'GHS06'],
  ],
  [
    ['H350', 'H410', 'H200'],
    ['GHS01', 'GHS08', 'GHS09'],
  ],
  [[], []],
])('pictograms of %j', (statements, pictograms) => expect(pictogramsOf(statements)).toEqual(pictograms))

test('the usual solvents of a crystallisation are on record, each with what decides between them', () => {
  expect(crystallisationSolvents.map(({ id }) => id)).toEqual(usualSolvents)
  for (const { boiling } of crystallisationSolvents) expect(boiling).toBeDefined()
})

test.each(each.filter(([, { solubility }]) => solubility))(
  '%s: it dissolves better the hotter, in a solvent on record',
  (_id, record) => {
    for (const { solvent, points } of record.solubility!) {
      expect(substanceRecords.map(({ id }) => id)).toContain(solvent)
      const sorted = [...points].sort((a, b) => a.atC - b.atC).map(({ gPer100ML }) => gPer100ML)
      expect(sorted).toEqual([...sorted].sort((a, b) => a - b))
      expect(sorted.every((value) => value > 0 && value < 300)).toBe(true)
    }
  },
)

const withAntoine = substanceRecords.filter(({ antoine, boiling }) => antoine && boiling)
test.each(withAntoine.map((record) => [record.id, record] as const))(
  '%s: the Antoine constants give the listed boiling point within 1 K',
  (_id, { antoine, boiling }) => {
    expect(Math.abs(boilingPointC(antoine!) - boiling!.lowC)).toBeLessThan(1)
    expect(antoine!.fromC).toBeLessThan(antoine!.toC)
  },
)

test('Antoine, worked by hand: toluene at 110.6 °C has 760 mmHg, and both directions agree', () => {
  const { antoine } = substanceRecords.find(({ id }) => id === 'toluene')!
  // 6.95464 − 1344.80/(219.48 + 110.6) = 2.88045; 10^2.88045 = 759.4
  expect(vapourPressureMmHg(antoine!, 110.6)).toBeCloseTo(759.4, 0)
  fc.assert(
    fc.property(fc.double({ min: 10, max: 1500, noNaN: true }), (mmHg) => {
      expect(vapourPressureMmHg(antoine!, boilingPointC(antoine!, mmHg))).toBeCloseTo(mmHg, 6)
    }),
  )
})

describe('statements', () => {
  test('every statement of the regulation can be written in its own spelling, and case does not matter where one code is meant', () => {
    const wanted =
      'H200 H201 H202 H203 H204 H205 H206 H207 H208 H220 H221 H240 H241 H250 H252 H361d H361f H371 EUH018 EUH071 H350i H360Df H301+H311 H300+H310+H330'
    expect(readStatements(wanted)).toEqual({ ok: true, codes: wanted.split(' ') })
    expect(readStatements('h225, euh066; h361D')).toEqual({ ok: true, codes: ['H225', 'EUH066', 'H361d'] })
    expect(readStatements('h360fd')).toMatchObject({ ok: false, problem: expect.stringMatching(/H360FD or H360Fd/) as string })
    expect(readStatements('H999')).toMatchObject({
      ok: false,
      problem: expect.stringMatching(/H999 is no hazard statement/) as string,
    })
    expect(readStatements('constructor')).toMatchObject({ ok: false })
    expect(hazardStatements['H302+H332']).toBe('Harmful if swallowed or if inhaled')
  })

  test.each([
    [['H300'], 'danger'],
    [['H314', 'H335'], 'danger'],
    [['H330'], 'danger'],
    [['H350'], 'danger'],
    [['H226', 'H318'], 'danger'],
    [['H301+H311'], 'danger'],
    [['H226', 'H319'], 'warning'],
    [['H252'], 'warning'],
    [['H302+H332'], 'warning'],
    [['H228'], 'asked'],
    [['H242', 'H319'], 'asked'],
    [['H261'], 'asked'],
    [['H272'], 'asked'],
    [['H272', 'H314'], 'danger'],
    [['H412'], 'none'],
    [['EUH066'], 'none'],
    [[], 'none'],
  ] as const)('the signal word of %j is %s', (codes, word) => expect(signalOf(codes)).toBe(word))

  test('every precaution has a text', () => {
    for (const code of precautionsFor(Object.keys(hazardStatements))) expect(precautionaryStatements[code]).toBeDefined()
  })
  test('a flammable, eye-irritant liquid: away from flames, goggles, rinse', () =>
    expect(precautionsFor(['H225', 'H319'])).toEqual(['P210', 'P233', 'P280', 'P305+P351+P338']))
  test('code and text are printed together, an unknown code is an error', () => {
    expect(statementText('H225')).toBe('H225 Highly flammable liquid and vapour')
    expect(statementText('H999')).toBe('H999')
  })
  test('the gravest statement gives the caution', () => {
    expect(cautionOf(['H226', 'H314'])).toMatch(/^Burns skin/)
    expect(cautionOf(['H351'])).toMatch(/Suspected/)
    expect(cautionOf(['H361d'])).toMatch(/Suspected/)
    expect(cautionOf(['EUH066'])).toBeUndefined()
  })
  test('a plan gets its own copy with full texts', () => {
    const copy = forPlan(substanceRecords.find(({ id }) => id === 'ethyl-acetate')!)
    expect(copy.hazards!.statements).toContain('H225')
    expect(copy).toMatchObject({ systematicName: 'ethyl ethanoate', density: { gPerML: 0.9, atC: 20 } })
  })
})

describe('search', () => {
  const index = substanceIndex(substanceRecords)
  const first = (text: string) => searchSubstances(index, text)[0]?.id

  test.each([
    ['aniline', 'aniline'],
    ['ethyl ethanoate', 'ethyl-acetate'],
    ['EtOH-like nothing', undefined],
    ['isoamyl alc', 'isopentyl-alcohol'],
    ['sulphuric', 'sulfuric-acid'],
    ['CuSO4.5H2O', 'copper-sulfate-pentahydrate'],
    ['c4h8o2', 'ethyl-acetate'],
    ['thf', 'tetrahydrofuran'],
    ['N N dimethylanil', 'n-n-dimethylaniline'],
    ['', undefined],
  ])('%j finds %s first', (text, id) => {
    if (text === 'c4h8o2') expect(searchSubstances(index, text).map((record) => record.id)).toContain(id)
    else expect(first(text)).toBe(id)
  })

  test.each([
    ['benzaldehide', 'benzaldehyde'],
    ['acetone nitrile', 'acetonitrile'],
    ['isopentil acetate', 'isopentyl-acetate'],
    ['tolune', 'toluene'],
  ])('%s is met with the nearest name, %s', (typed, id) => {
    expect(nearestSubstances(index, typed)[0]?.id).toBe(id)
  })
  test.each(['xyz', 'qqqqqqqq', 'ac', ''])('nothing is near %j', (typed) => expect(nearestSubstances(index, typed)).toEqual([]))

  test('every record is found by each of its names and its formula', () => {
    for (const record of substanceRecords)
      for (const text of [record.name, ...(record.synonyms ?? []), ...(record.formula === undefined ? [] : [record.formula])])
        expect(searchSubstances(index, text, 40)).toContain(record)
  })

  test('over 5,000 substances the answer is the same, and complete', () => {
    const many: SubstanceRecord[] = Array.from({ length: 5000 }, (_, at) => ({
      id: `s${at}`,
      name: `substance ${at}-yl benzene`,
      formula: `C${1 + (at % 40)}H${2 + (at % 60)}`,
    }))
    const large = substanceIndex([...many, ...substanceRecords])
    expect(searchSubstances(large, 'benzilic')[0]!.id).toBe('benzilic-acid')
    expect(searchSubstances(large, 'substance 4321')[0]!.name).toBe('substance 4321-yl benzene')
  })
})
