import { boilsAtIn } from '@/core/matter/boilsAt'
import { holdingsIn, vesselAt, vesselNamed } from '@/core/matter/state'
import { look, shortPlan, type ShortLine } from '@/test-support/matter'

/** States worked by hand with a textbook's formulas, operation by operation: what is ordinary, nothing there, too much, unknown. */

const solution = (molPerL: number) => ({ kind: 'solution' as const, molPerL })
const flask = { kind: 'round-bottom', sizeML: 250 } as const
const funnel = { kind: 'separating funnel', sizeML: 250 } as const
const water: ShortLine = { of: 'water', mL: 50 }
const ether: ShortLine = { of: 'diethyl ether', mL: 30, role: 'solvent' }
const benzoic: ShortLine = { of: 'benzoic acid', g: 1.2212 }
const base: ShortLine = { of: 'sodium hydroxide', mL: 20, form: solution(1) }
const acid: ShortLine = { of: 'hydrochloric acid', mL: 20, form: solution(1) }
const unknownBase: ShortLine = { of: 'sodium hydroxide', mL: 20, form: { kind: 'solution' } }

describe('charge and add', () => {
  test('10.0 mmol of benzoic acid in 20 mmol of hydroxide: all of it dissolves, 10 mmol of hydroxide are left, 0.5 M, pH 13.7', () => {
    const { mmol, pH } = look(shortPlan({ benzoic, base }, [{ op: 'charge', in: '{benzoic}{base}', vessel: flask }]))
    expect(mmol('benzoic acid')).toBeCloseTo(10, 3)
    expect(pH()).toBeCloseTo(13.7, 1)
  })
  test('nothing named goes in: nothing is there', () => {
    const { bench } = look(shortPlan({ benzoic }, [{ op: 'charge', vessel: flask }]))
    expect(holdingsIn(vesselAt(bench()))).toEqual([])
  })
  test('more salt than the water holds stays solid: 36 g of sodium chloride in 50 mL, 17.9 g dissolve', () => {
    const { bench } = look(
      shortPlan({ salt: { of: 'sodium chloride', g: 36 }, water }, [{ op: 'charge', in: '{salt}{water}', vessel: flask }]),
    )
    const solid = vesselAt(bench()).phases.find(({ kind }) => kind === 'solid')!.holds[0]!
    expect(solid.amount! * solid.thing.gPer).toBeCloseTo(36 - 17.9, 1)
  })
  test('a strength that nobody has said leaves the amount unknown, not nothing', () => {
    const { mmol } = look(shortPlan({ base: unknownBase }, [{ op: 'charge', in: '{base}', vessel: flask }]))
    expect(mmol('sodium ion')).toBeNull()
  })
  test('a hydrate brings its water: 10 mmol of MgSO4·7H2O give 70 mmol to the solution', () => {
    const { mmol } = look(
      shortPlan({ salt: { of: 'magnesium sulfate', mmol: 10, form: { kind: 'solid', purity: 1, water: 7 } }, water }, [
        { op: 'charge', in: '{salt}{water}', vessel: flask },
      ]),
    )
    expect(mmol('water')! - (50 * 0.998) / 0.018015).toBeCloseTo(70, 0)
  })
})

describe('quench, set pH', () => {
  const materials = { benzoic, base, acid }
  test('benzoate with as much acid as it took base falls out as benzoic acid but for what the water holds', () => {
    const { mmol, bench, pH } = look(
      shortPlan({ ...materials, acid: { of: 'hydrochloric acid', mL: 25, form: solution(1) } }, [
        { op: 'charge', in: '{benzoic}{base}', vessel: flask },
        { op: 'quench', in: '{acid}' },
      ]),
    )
    const solid = vesselAt(bench())
      .phases.find(({ kind }) => kind === 'solid')!
      .holds.find(({ thing }) => thing.name === 'benzoic acid')!
    // 45 mL at 0.29 g to 100 mL hold 1.1 mmol.
    expect(solid.amount).toBeGreaterThan(8.5)
    expect(solid.amount).toBeLessThan(9.2)
    expect(mmol('benzoic acid')).toBeCloseTo(10, 3)
    expect(pH()).toBeLessThan(1.2)
  })
  test('acid onto nothing is acid', () => {
    expect(look(shortPlan({ acid }, [{ op: 'quench', in: '{acid}' }])).pH()).toBeCloseTo(0, 1)
  })
  test('more acid than base: 5 of 25 mmol are left in 45 mL, pH 0.95', () => {
    const { pH } = look(
      shortPlan({ base, acid: { of: 'hydrochloric acid', mL: 25, form: solution(1) } }, [
        { op: 'charge', in: '{base}', vessel: flask },
        { op: 'set-ph', in: '{acid}' },
      ]),
    )
    expect(pH()).toBeCloseTo(0.95, 1)
  })
  test('an unknown base leaves the pH unknown, and the acid known', () => {
    const { pH, mmol } = look(
      shortPlan({ base: unknownBase, acid }, [
        { op: 'charge', in: '{acid}', vessel: flask },
        { op: 'quench', in: '{base}' },
      ]),
    )
    expect(pH()).toBeNull()
    expect(mmol('chloride')).toBeCloseTo(20, 3)
  })
  test('zinc in acid: as much hydrogen as zinc, and its ion in the water', () => {
    const { gas, mmol } = look(
      shortPlan({ zinc: { of: 'zinc dust', mmol: 5 }, acid: { of: 'hydrochloric acid', mL: 20, form: solution(2) } }, [
        { op: 'charge', in: '{zinc}{acid}', vessel: flask },
      ]),
    )
    expect(gas('hydrogen')).toBeCloseTo(5, 2)
    expect(mmol('zinc ion')).toBeCloseTo(5, 2)
  })
  test('borohydride in acid: four of hydrogen to one', () => {
    const { gas } = look(
      shortPlan(
        { hydride: { of: 'sodium borohydride', mmol: 3 }, acid: { of: 'hydrochloric acid', mL: 20, form: solution(2) } },
        [{ op: 'charge', in: '{hydride}{acid}', vessel: flask }],
      ),
    )
    expect(gas('hydrogen')).toBeCloseTo(12, 1)
  })
  test('cyanide in acid gives hydrogen cyanide, in base none', () => {
    const cyanide: ShortLine = { of: 'sodium cyanide', mmol: 60 }
    const inAcid = look(
      shortPlan({ cyanide, acid: { of: 'hydrochloric acid', mL: 30, form: solution(2) } }, [
        { op: 'charge', in: '{cyanide}{acid}', vessel: flask },
      ]),
    )
    expect(inAcid.gas('hydrogen cyanide')!).toBeGreaterThan(20)
    const inBase = look(shortPlan({ cyanide, base }, [{ op: 'charge', in: '{cyanide}{base}', vessel: flask }]))
    expect(inBase.gas('hydrogen cyanide')).toBeLessThan(0.01)
  })
})

describe('extract, wash, part', () => {
  const amine: ShortLine = { of: 'aniline', mmol: 10, form: { kind: 'neat', purity: 1 } }
  test('benzoic acid goes into base, what is neutral stays', () => {
    const { mmol } = look(
      shortPlan({ benzoic, naphthalene: { of: 'naphthalene', mmol: 10 }, ether, base }, [
        { op: 'charge', in: '{benzoic}{naphthalene}{ether}', vessel: funnel },
        { op: 'extract', in: '{base}', typed: { into: 'B' } },
      ]),
    )
    expect(mmol('benzoic acid', 1, 'B')).toBeGreaterThan(9.7)
    expect(mmol('naphthalene', 1)).toBeGreaterThan(9.9)
  })
  test('aniline goes into acid, and comes back with base', () => {
    const { mmol } = look(
      shortPlan(
        {
          amine,
          ether,
          acid,
          base: { of: 'sodium hydroxide', mL: 20, form: solution(2) },
          more: { of: 'diethyl ether', mL: 30 },
        },
        [
          { op: 'charge', in: '{amine}{ether}', vessel: funnel },
          { op: 'extract', in: '{acid}', typed: { into: 'A' } },
          { op: 'quench', in: '{base}', typed: { flask: 'A' } },
          { op: 'extract', in: '{more}', typed: { layer: 'A', into: 'free' } },
        ],
      ),
    )
    expect(mmol('aniline', 1, 'A')).toBeGreaterThan(9)
    expect(mmol('aniline', 3, 'free')).toBeGreaterThan(8)
  })
  test('shaken three times, each portion takes a part of what is left: (V/(V + D·v))³', () => {
    // Caffeine between dichloromethane and water, K 8 by its record: of 100 mL three times 20 mL leave (100/(100 + 160))³ = 5.7 %.
    const { mmol } = look(
      shortPlan(
        { caffeine: { of: 'caffeine', mmol: 5 }, tea: { of: 'water', mL: 100 }, solvent: { of: 'dichloromethane', mL: 60 } },
        [
          { op: 'dissolve', in: '{caffeine}{tea}', vessel: funnel },
          { op: 'extract', in: '{solvent}', typed: { portions: 3, into: 'extract' } },
        ],
      ),
    )
    expect(mmol('caffeine', 1, 'extract')! / 5).toBeGreaterThan(0.92)
    expect(mmol('caffeine', 1, 'extract')! / 5).toBeLessThan(0.96)
  })
  test('nothing to part: one liquid alone is said', () => {
    const { events } = look(shortPlan({ ether }, [{ op: 'charge', in: '{ether}', vessel: funnel }, { op: 'wash' }]))
    expect(events('no layers')).toHaveLength(1)
  })
  test('parted as they are, without anything put to them: each layer is in a vessel of its own', () => {
    const { mL, bench } = look(
      shortPlan({ ether, water }, [
        { op: 'charge', in: '{ether}{water}', vessel: flask },
        { op: 'part', typed: { into: 'W' } },
      ]),
    )
    expect(mL(1, 'W')).toBeGreaterThan(48)
    expect(mL(1)).toBeGreaterThan(26)
    expect(bench().at).toBe('separating funnel')
  })
  test('more acid than the base takes stays behind: 10 mmol against 4', () => {
    const { mmol } = look(
      shortPlan({ benzoic, ether, base: { of: 'sodium hydroxide', mL: 4, form: solution(1) } }, [
        { op: 'charge', in: '{benzoic}{ether}', vessel: funnel },
        { op: 'extract', in: '{base}', typed: { into: 'B' } },
      ]),
    )
    expect(mmol('benzoic acid', 1, 'B')).toBeLessThan(4.4)
    expect(mmol('benzoic acid', 1)).toBeGreaterThan(5.5)
  })
  test('some water stays with the layer it is drawn from', () => {
    const { mmol } = look(
      shortPlan({ ether, water }, [
        { op: 'charge', in: '{ether}', vessel: funnel },
        { op: 'wash', in: '{water}', typed: { into: 'W' } },
      ]),
    )
    expect(mmol('water', 1)).toBeGreaterThan(5)
    expect(mmol('water', 1)).toBeLessThan(60)
  })
  test('acetic acid is partly in an ester layer after water: at the high end bicarbonate still meets some', () => {
    const { span } = look(
      shortPlan(
        {
          acetic: { of: 'acetic acid', mmol: 50, form: { kind: 'neat', purity: 1 } },
          ester: { of: 'isopentyl acetate', mL: 15 },
          water,
        },
        [
          { op: 'charge', in: '{acetic}{ester}', vessel: funnel },
          { op: 'wash', in: '{water}', typed: { into: 'W' } },
        ],
      ),
    )
    const left = span('acetic acid', 1)
    expect(left !== 'unknown' && left.likely).toBeGreaterThan(2)
    expect(left !== 'unknown' && left.high).toBeGreaterThan(10)
  })
})

describe('filter, decant, dry', () => {
  test('filtered, a part of the liquor clings; rinsed, water has taken its place', () => {
    const lines = { benzoic, base, acid: { of: 'hydrochloric acid', mL: 25, form: solution(1) } as ShortLine }
    const steps = (times: number) =>
      look(
        shortPlan(lines, [
          { op: 'charge', in: '{benzoic}{base}', vessel: flask },
          { op: 'quench', in: '{acid}' },
          { op: 'filter', typed: { keep: 'solid', times, rinseWith: 'water' } },
        ]),
      )
    expect(steps(0).mmol('chloride')).toBeGreaterThan(0.1)
    expect(steps(2).mmol('chloride')).toBeLessThan(steps(0).mmol('chloride')! / 3)
  })
  test('keeping the solution, the solid is a residue', () => {
    const { bench, mmol } = look(
      shortPlan({ charcoal: { of: 'activated charcoal', g: 0.5 }, water }, [
        { op: 'charge', in: '{charcoal}{water}', vessel: flask },
        { op: 'filter', typed: { keep: 'solution' } },
      ]),
    )
    expect(bench().vessels.find(({ kept }) => kept === 'residue')).toBeDefined()
    expect(mmol('water')).toBeGreaterThan(2700)
  })
  test('nothing to filter: nothing happens', () => {
    expect(look(shortPlan({ water }, [{ op: 'filter' }])).events('cannot be told')).toEqual([])
  })
  test('a solid of unknown solubility that the plan filters off is there, and it is said that nobody can tell how much', () => {
    const { events, bench } = look(
      shortPlan({ benzoin: { of: 'benzoin', g: 4, role: 'component' }, ethanol: { of: 'ethanol', mL: 60, role: 'solvent' } }, [
        { op: 'none', in: '{ethanol}', vessel: flask },
        { op: 'filter' },
      ]),
    )
    expect(events('cannot be told')).toEqual([])
    expect(vesselAt(bench(0)).phases).toHaveLength(1)
  })
  test('a drying agent takes the water with what was dissolved in it; decanted, it stays behind', () => {
    const { mmol, bench } = look(
      shortPlan({ ether, water, agent: { of: 'magnesium sulfate', g: 3 } }, [
        { op: 'charge', in: '{ether}', vessel: funnel },
        { op: 'wash', in: '{water}', typed: { into: 'W' } },
        { op: 'dry-solution', in: '{agent}' },
        { op: 'decant' },
      ]),
    )
    expect(mmol('water', 3)).toBeLessThan(0.5)
    expect(mmol('magnesium sulfate', 3)).toBe(0)
    expect(bench().vessels.some(({ kept }) => kept === 'residue')).toBe(true)
  })
  test('left in, it goes into the pot', () => {
    const { mmol } = look(
      shortPlan({ toluene: { of: 'toluene', mL: 30 }, agent: { of: 'magnesium sulfate', g: 3 } }, [
        { op: 'charge', in: '{toluene}', vessel: flask },
        { op: 'dry-solution', in: '{agent}' },
        { op: 'distil', typed: { stopML: 3 } },
      ]),
    )
    expect(mmol('magnesium sulfate', 2, 'round-bottom 250 mL')).toBeCloseTo(3000 / 120.37, 1)
  })
  test('too little agent for the water is said', () => {
    const { events } = look(
      shortPlan({ ether, water: { of: 'water', mL: 5 }, agent: { of: 'magnesium sulfate', g: 0.5 } }, [
        { op: 'charge', in: '{ether}{water}', vessel: flask },
        { op: 'dry-solution', in: '{agent}' },
      ]),
    )
    expect(events('cannot be told')).toContain('how dry it becomes')
  })
})

describe('distil, evaporate', () => {
  test('a mixture of 25 mL each of cyclohexane and toluene gives more of the first over four stages than over none', () => {
    const over = (stages: number) => {
      const { mmol } = look(
        shortPlan({ one: { of: 'cyclohexane', mL: 25 }, other: { of: 'toluene', mL: 25 } }, [
          { op: 'charge', in: '{one}{other}', vessel: flask },
          { op: 'distil', typed: { stages, stopML: 35 } },
        ]),
      )
      return mmol('cyclohexane')! / (mmol('cyclohexane')! + mmol('toluene')!)
    }
    expect(over(0)).toBeGreaterThan(0.6)
    expect(over(0)).toBeLessThan(0.8)
    expect(over(4)).toBeGreaterThan(0.95)
  })
  test('a still stopped at a volume stops there: 10 of 50 mL are left', () => {
    const { mL } = look(
      shortPlan({ toluene: { of: 'toluene', mL: 50 } }, [
        { op: 'charge', in: '{toluene}', vessel: flask },
        { op: 'distil', typed: { stopML: 10 } },
      ]),
    )
    expect(mL(1, 'round-bottom 250 mL')).toBeCloseTo(10, 1)
    expect(mL(1)).toBeCloseTo(40, 1)
  })
  test('where nobody has said an end, a rest stays: it is never distilled to dryness', () => {
    const { mL } = look(
      shortPlan({ toluene: { of: 'toluene', mL: 50 } }, [{ op: 'charge', in: '{toluene}', vessel: flask }, { op: 'distil' }]),
    )
    expect(mL(1, 'round-bottom 250 mL')).toBeGreaterThan(2)
  })
  test('water in the pot comes over with an oil, far below where the oil boils', () => {
    const { mmol, walked } = look(
      shortPlan({ oil: { of: 'limonene', mL: 10 }, water: { of: 'water', mL: 100 } }, [
        { op: 'charge', in: '{oil}{water}', vessel: flask },
        { op: 'distil', typed: { stopML: 60 } },
      ]),
    )
    expect(mmol('limonene')).toBeGreaterThan(50)
    expect(mmol('water')).toBeGreaterThan(500)
    const over = walked.steps[1]!.events.find(({ kind }) => kind === 'distils')
    expect(over?.kind === 'distils' && over.fromC).toBeCloseTo(97.8, 0)
  })
  test('nothing boils: it is said, and nothing comes over', () => {
    const { events, bench } = look(
      shortPlan({ salt: { of: 'sodium chloride', g: 5 } }, [{ op: 'charge', in: '{salt}', vessel: flask }, { op: 'distil' }]),
    )
    expect(events('cannot be told')).toEqual(['what comes over'])
    expect(bench().at).toBe('round-bottom 250 mL')
  })
  test('what boils at nobody knows what: it is said', () => {
    const { events } = look(
      shortPlan({ oil: { of: { id: 'oil', name: 'our oil', formula: 'C10H16O' }, mL: 10 } }, [
        { op: 'charge', in: '{oil}', vessel: flask },
        { op: 'distil' },
      ]),
    )
    expect(events('cannot be told')).toEqual(['what comes over'])
  })
  test('ether taken off leaves what was in it', () => {
    const { mmol, bench } = look(
      shortPlan({ naphthalene: { of: 'naphthalene', mmol: 10 }, ether }, [
        { op: 'dissolve', in: '{naphthalene}{ether}', vessel: flask },
        { op: 'evaporate' },
      ]),
    )
    expect(mmol('naphthalene')).toBeCloseTo(10, 3)
    expect(mmol('diethyl ether')).toBeLessThan(6)
    expect(bench().vessels.find(({ kept }) => kept === 'distillate')).toBeDefined()
  })
  test('brine boiled to dryness is salt again', () => {
    const { bench } = look(
      shortPlan({ brine: { of: 'sodium chloride', mL: 10, form: solution(2) } }, [
        { op: 'charge', in: '{brine}', vessel: flask },
        { op: 'dry', more: { sample: 'salt' } as never },
      ]),
    )
    const [solid] = vesselAt(bench()).phases
    expect(solid!.holds.map(({ thing, amount }) => [thing.name, Math.round(amount!)])).toEqual([['sodium chloride', 20]])
  })
})

describe('crystallise', () => {
  const acetanilide: ShortLine = { of: 'acetanilide', g: 5 }
  const crystals = (coldC: number) =>
    look(
      shortPlan({ acetanilide, water: { of: 'water', mL: 100, role: 'solvent' } }, [
        { op: 'charge', in: '{acetanilide}', vessel: flask },
        {
          op: 'crystallise',
          typed: { coldC },
          vessel: { kind: 'conical', sizeML: 250 },
          more: { solvent: 'water', from: 'crude', to: 'pure' } as never,
        },
        { op: 'filter', typed: { keep: 'solid' } },
      ]),
    )
  test('5 g from 100 mL of water leave 0.46 g in the liquor at 20 °C', () => {
    const { bench, grams } = crystals(20)
    const liquor = bench().vessels.find(({ kept }) => kept === 'mother liquor')!
    const left = holdingsIn(liquor).find(({ thing }) => thing.name === 'acetanilide')!
    expect(left.amount! * left.thing.gPer).toBeCloseTo(0.46, 1)
    expect(grams(2)).toBeGreaterThan(4.5)
  })
  test('colder, less stays', () => {
    const stays = (coldC: number) =>
      holdingsIn(
        crystals(coldC)
          .bench()
          .vessels.find(({ kept }) => kept === 'mother liquor')!,
      ).find(({ thing }) => thing.name === 'acetanilide')!.amount!
    expect(stays(0)).toBeLessThan(stays(20))
    expect(stays(20)).toBeLessThan(stays(40))
  })
  test('less than the cold liquor holds: nothing comes out', () => {
    const { bench } = look(
      shortPlan({ acetanilide: { of: 'acetanilide', g: 0.2 }, water: { of: 'water', mL: 100, role: 'solvent' } }, [
        { op: 'charge', in: '{acetanilide}', vessel: flask },
        { op: 'crystallise', typed: { coldC: 20 }, more: { solvent: 'water', from: 'crude', to: 'pure' } as never },
      ]),
    )
    expect(vesselAt(bench()).phases.map(({ kind }) => kind)).toEqual(['watery'])
  })
  test('an unknown solubility: it comes out, between little and all', () => {
    const { span, events } = look(
      shortPlan(
        {
          benzoin: { of: 'benzoin', g: 4, role: 'product' },
          start: { of: 'benzoin', g: 4, role: 'reactant' },
          ethanol: { of: 'ethanol', mL: 60, role: 'solvent' },
        },
        [
          { op: 'charge', in: '{start}', vessel: flask },
          { op: 'crystallise', more: { solvent: 'ethanol', from: 'crude', to: 'pure' } as never },
          { op: 'filter', typed: { keep: 'solid' } },
        ],
        { mainProduct: 'benzoin' },
      ),
    )
    expect(events('cannot be told', 1).some((what) => what.includes('benzoin'))).toBe(true)
    const crystal = span('benzoin', 2)
    expect(crystal !== 'unknown' && crystal.low < 8 && crystal.high > 18).toBe(true)
  })
})

describe('second crop, a purified starting material, moisture', () => {
  const acetanilide: ShortLine = { of: 'acetanilide', g: 5 }
  const crystallised = { solvent: 'water', from: 'crude', to: 'pure' } as never
  test('the liquor of 100 mL boiled down to 25 mL and cooled gives some 0.35 g more: 0.46 g less what 25 mL hold', () => {
    const { bench } = look(
      shortPlan({ acetanilide, water: { of: 'water', mL: 100, role: 'solvent' } }, [
        { op: 'charge', in: '{acetanilide}', vessel: flask },
        { op: 'crystallise', typed: { coldC: 20 }, more: crystallised },
        { op: 'filter', typed: { keep: 'solution' } },
        { op: 'distil', typed: { stopML: 25 } },
      ]),
    )
    const pot = vesselNamed(bench(), 'filtrate of “filter 2”')!
    const solid = pot.phases.find(({ kind }) => kind === 'solid')!.holds.find(({ thing }) => thing.name === 'acetanilide')!
    expect(solid.amount! * solid.thing.gPer).toBeCloseTo(0.35, 1)
  })
  test('drowned: 1 g in 10 mL of ethanol falls out of 100 mL of water but for what that holds', () => {
    const { bench } = look(
      shortPlan(
        {
          acetanilide: { of: 'acetanilide', g: 1 },
          ethanol: { of: 'ethanol', mL: 10, role: 'solvent' },
          water: { of: 'water', mL: 100 },
        },
        [
          { op: 'dissolve', in: '{acetanilide}{ethanol}', vessel: flask },
          { op: 'pour', in: '{water}' },
        ],
      ),
    )
    const solid = vesselAt(bench()).phases.find(({ kind }) => kind === 'solid')!.holds[0]!
    expect(solid.amount! * solid.thing.gPer).toBeGreaterThan(0.4)
    expect(solid.amount! * solid.thing.gPer).toBeLessThan(0.6)
  })
  test('a starting material that was purified goes into the reaction as what was got of it', () => {
    const { mmol } = look(
      shortPlan(
        {
          acid: { of: 'benzoic acid', g: 5, role: 'reactant', nu: 1 },
          water: { of: 'water', mL: 150, role: 'solvent' },
          methanol: { of: 'methanol', mL: 30, role: 'reactant', nu: 1 },
          ester: { of: 'methyl benzoate', role: 'product', nu: 1, form: { kind: 'neat', purity: 1 } },
          byWater: { of: 'water', role: 'by-product', nu: 1, form: { kind: 'neat', purity: 1 } },
        },
        [
          { op: 'charge', in: '{acid}', vessel: flask },
          { op: 'crystallise', typed: { coldC: 10 }, more: crystallised },
          { op: 'filter', typed: { keep: 'solid' } },
          { op: 'dry', more: { sample: 'pure' } as never },
          { op: 'charge', in: '{methanol}' },
          { op: 'reflux' },
        ],
        {
          mainProduct: 'ester',
          samples: [
            { name: 'pure', line: 'acid' },
            { name: 'crude', line: 'acid' },
          ],
        },
      ),
      { samplesG: { pure: 4.1 }, usedML: {} },
    )
    expect(mmol('benzoic acid', 3)).toBeCloseTo(4100 / 122.12, 0)
    expect(mmol('methyl benzoate', 5)).toBeCloseTo(4100 / 122.12, 0)
  })
  test('a moist material brings its water as a component of its own', () => {
    const { mmol, grams } = look(
      shortPlan(
        {
          crude: { of: { id: 'damp', name: 'damp crude' }, g: 10, role: 'material' },
          acid: { of: 'benzoic acid', share: { of: 'crude', percent: 80 } },
          moisture: { of: 'water', share: { of: 'crude', percent: 15 } },
        },
        [
          { op: 'charge', in: '{crude}', vessel: flask },
          { op: 'dry', more: { sample: 'crude' } as never },
        ],
      ),
    )
    expect(mmol('water', 0)).toBeCloseTo(1500 / 18.015, 1)
    expect(grams(0)).toBeCloseTo(10, 6)
    expect(grams(1)).toBeCloseTo(8.5, 1)
  })
  test('a material shaken with base gives its acid to it', () => {
    const { mmol } = look(
      shortPlan(
        {
          crude: { of: { id: 'mix', name: 'mixture' }, g: 4, role: 'material' },
          acid: { of: 'benzoic acid', share: { of: 'crude', percent: 50 } },
          neutral: { of: 'naphthalene', share: { of: 'crude', percent: 50 } },
          ether,
          base: { of: 'sodium hydroxide', mL: 40, form: solution(1) },
        },
        [
          { op: 'dissolve', in: '{crude}{ether}', vessel: funnel },
          { op: 'extract', in: '{base}', typed: { into: 'B' } },
        ],
      ),
    )
    expect(mmol('benzoic acid', 1, 'B')! / (2000 / 122.12)).toBeGreaterThan(0.97)
    expect(mmol('naphthalene', 1)! / (2000 / 128.17)).toBeGreaterThan(0.97)
  })
})

describe('pour, stir, hold, rinse, dilute, make up, sublime', () => {
  test('poured, all of it is in the other vessel; an empty one pours nothing', () => {
    const { mmol, bench } = look(
      shortPlan({ benzoic, base }, [{ op: 'charge', in: '{benzoic}{base}', vessel: flask }, { op: 'pour' }]),
    )
    expect(mmol('benzoic acid')).toBeCloseTo(10, 3)
    expect(vesselNamed(bench(), 'round-bottom 250 mL')).toBeUndefined()
    expect(holdingsIn(vesselAt(look(shortPlan({ benzoic }, [{ op: 'pour' }])).bench()))).toEqual([])
  })
  test('stirred or left standing, a carbonate in acid gives its gas; an unknown amount gives an unknown one', () => {
    const lines = { chalk: { of: 'calcium carbonate', mmol: 5 } as ShortLine, acid }
    for (const op of ['stir', 'hold'] as const)
      expect(
        look(
          shortPlan(lines, [
            { op: 'charge', in: '{chalk}', vessel: flask },
            { op, in: '{acid}' },
          ]),
        ).gas('carbon dioxide')!,
      ).toBeGreaterThan(3.5)
  })
  test('rinsed with solvent, the vessel holds that too', () => {
    expect(
      look(
        shortPlan({ benzoic, ether }, [
          { op: 'charge', in: '{benzoic}', vessel: flask },
          { op: 'rinse', in: '{ether}' },
        ]),
      ).mL(),
    ).toBeGreaterThan(29)
  })
  test('diluted, 20 mL of 1 M are 20 mmol in 70 mL: pH 0.54', () => {
    const { pH, mmol } = look(
      shortPlan({ acid, water }, [
        { op: 'charge', in: '{acid}', vessel: flask },
        { op: 'dilute', in: '{water}' },
      ]),
    )
    expect(mmol('chloride')).toBeCloseTo(20, 3)
    expect(pH()).toBeCloseTo(0.54, 1)
  })
  test('made up in a measuring flask: everything is in it', () => {
    const { mmol, bench } = look(
      shortPlan({ salt: { of: 'sodium chloride', mmol: 10 }, water }, [
        { op: 'charge', in: '{salt}', vessel: flask },
        { op: 'make-up', in: '{water}' },
      ]),
    )
    expect(mmol('sodium ion')).toBeCloseTo(10, 3)
    expect(bench().at).toContain('make-up')
  })
  test('sublimed, a molecular solid is on the finger for the most part and a salt is not', () => {
    const { mmol } = look(
      shortPlan({ caffeine: { of: 'caffeine', mmol: 5 }, salt: { of: 'sodium chloride', mmol: 10 } }, [
        { op: 'charge', in: '{caffeine}{salt}', vessel: flask },
        { op: 'sublime' },
      ]),
    )
    expect(mmol('caffeine')).toBeCloseTo(4, 1)
    expect(mmol('sodium chloride')).toBe(0)
  })
  test('after a column nothing is sure, and nothing is lost', () => {
    const { bench } = look(
      shortPlan({ caffeine: { of: 'caffeine', mmol: 5 }, ether }, [
        { op: 'charge', in: '{caffeine}', vessel: flask },
        { op: 'column', in: '{ether}' },
      ]),
    )
    expect(holdingsIn(vesselAt(bench())).map(({ certain }) => certain)).not.toContain(true)
  })
  test('what a test takes stands in tubes, not in the flask', () => {
    const { mmol, bench } = look(
      shortPlan({ benzoic, acid }, [
        { op: 'charge', in: '{benzoic}', vessel: flask },
        { op: 'test', in: '{acid}' },
      ]),
    )
    expect(mmol('chloride')).toBe(0)
    expect(bench().vessels).toHaveLength(2)
  })
})

describe('reactions and heat', () => {
  const esterification = (mol: number) =>
    look(
      shortPlan(
        {
          alcohol: { of: 'isopentyl alcohol', mmol: 50, form: { kind: 'neat', purity: 1 }, role: 'reactant', nu: 1 },
          acid: { of: 'acetic acid', mmol: mol, form: { kind: 'neat', purity: 1 }, role: 'reactant', nu: 1 },
          ester: { of: 'isopentyl acetate', role: 'product', nu: 1, form: { kind: 'neat', purity: 1 } },
          water: { of: 'water', role: 'by-product', nu: 1, form: { kind: 'neat', purity: 1 } },
        },
        [{ op: 'charge', in: '{alcohol}{acid}', vessel: flask }, { op: 'reflux' }],
        { mainProduct: 'ester', equilibrium: { constant: 4, source: 'textbook' } },
      ),
    )
  test('with K = 4 two thirds react at 1 : 1, and 97 % at 1 : 10', () => {
    expect(esterification(50).mmol('isopentyl acetate')! / 50).toBeCloseTo(0.667, 2)
    expect(esterification(500).mmol('isopentyl acetate')! / 50).toBeCloseTo(0.97, 2)
  })
  test('after reflux the pot holds what was left, what was made, and the water', () => {
    const { mmol } = esterification(150)
    const x = mmol('isopentyl acetate')!
    expect(mmol('isopentyl alcohol')).toBeCloseTo(50 - x, 6)
    expect(mmol('acetic acid')).toBeCloseTo(150 - x, 6)
    expect(mmol('water')).toBeCloseTo(x, 6)
  })
  test('nothing to react with: nothing reacts', () => {
    const { mmol } = look(
      shortPlan(
        {
          alcohol: { of: 'isopentyl alcohol', mmol: 50, form: { kind: 'neat', purity: 1 }, role: 'reactant', nu: 1 },
          acid: { of: 'acetic acid', mmol: 50, form: { kind: 'neat', purity: 1 }, role: 'reactant', nu: 1 },
          ester: { of: 'isopentyl acetate', role: 'product', nu: 1, form: { kind: 'neat', purity: 1 } },
          water: { of: 'water', role: 'by-product', nu: 1, form: { kind: 'neat', purity: 1 } },
        },
        [{ op: 'charge', in: '{alcohol}', vessel: flask }, { op: 'reflux' }],
        { mainProduct: 'ester' },
      ),
    )
    expect(mmol('isopentyl acetate')).toBe(0)
    expect(mmol('isopentyl alcohol')).toBeCloseTo(50, 6)
  })
  test('too much of one: the scarcer sets what is made', () =>
    expect(esterification(10).mmol('isopentyl acetate')).toBeLessThan(10))
  test('an anhydride poured into water is acid in the end: 20 mmol give 40', () => {
    const { mmol } = look(
      shortPlan(
        {
          anhydride: { of: 'acetic anhydride', mmol: 20, form: { kind: 'neat', purity: 1 } },
          acid: { of: 'acetic acid', mmol: 1, form: { kind: 'neat', purity: 1 } },
          water,
        },
        [
          { op: 'charge', in: '{anhydride}{acid}', vessel: flask },
          { op: 'quench', in: '{water}' },
        ],
      ),
    )
    expect(mmol('acetic acid')).toBeCloseTo(41, 1)
  })
  test('iodine shaken with thiosulfate is iodide', () => {
    const { mmol } = look(
      shortPlan(
        {
          iodine: { of: 'iodine', mmol: 2 },
          ether,
          thio: { of: 'sodium thiosulfate pentahydrate', mL: 20, form: solution(0.5) },
        },
        [
          { op: 'dissolve', in: '{iodine}{ether}', vessel: funnel },
          { op: 'wash', in: '{thio}', typed: { into: 'W' } },
        ],
      ),
    )
    expect(mmol('iodide', 1, 'W')).toBeGreaterThan(3.9)
  })
  test('water heated above its boiling point in an open vessel goes away, nobody can say how much', () => {
    const { events, gas } = look(
      shortPlan({ water }, [
        { op: 'charge', in: '{water}', vessel: flask },
        { op: 'heat', typed: { lowC: 110, highC: 120 } },
      ]),
    )
    expect(events('cannot be told')).toHaveLength(1)
    expect(gas('water')).toBeGreaterThan(10)
  })
  test('ice brings a hot mixture down by the heat that both hold', () => {
    const { bench } = look(
      shortPlan({ toluene: { of: 'toluene', mL: 50 }, water: { of: 'water', mL: 50 } }, [
        { op: 'charge', in: '{toluene}', vessel: flask },
        { op: 'reflux' },
        { op: 'pour', in: '{water}' },
      ]),
    )
    // 43.35 g × 1.8 J/gK from 110.6 °C into 49.9 g × 4.18 J/gK at 20 °C.
    expect(vesselAt(bench()).atC).toBeCloseTo(20 + (90.6 * 78.0) / (78.0 + 208.6), 0)
  })
})

describe('own operations, waste, weighing', () => {
  const salt: ShortLine = { of: 'sodium chloride', g: 5 }
  test('after an operation that does not say what it does, what was there may still be there', () => {
    const { bench } = look(
      shortPlan({ salt, water }, [
        { op: 'charge', in: '{salt}{water}', vessel: flask },
        { op: 'none', own: { name: 'Shine' } },
      ]),
    )
    expect(holdingsIn(vesselAt(bench())).every(({ certain }) => !certain)).toBe(true)
  })
  test('one that empties the vessel begins with nothing', () => {
    const { bench } = look(
      shortPlan({ salt, water }, [
        { op: 'charge', in: '{salt}', vessel: flask },
        { op: 'none', in: '{water}', own: { name: 'Begin', effect: 'the vessel was empty' } },
      ]),
    )
    expect(holdingsIn(vesselAt(bench())).map(({ thing }) => thing.name)).toEqual(['water'])
  })
  test('a layer that is put away by name is gone, the other stays', () => {
    const { bench } = look(
      shortPlan({ ether, water }, [
        { op: 'charge', in: '{ether}', vessel: funnel },
        { op: 'wash', in: '{water}', typed: { into: 'W' } },
        { op: 'dispose', more: { waste: [{ into: 'aqueous, harmless', what: 'aqueous layer' }] } },
      ]),
    )
    expect(holdingsIn(vesselNamed(bench(), 'W')!)).toEqual([])
    expect(holdingsIn(vesselAt(bench())).length).toBeGreaterThan(0)
    expect(bench().waste['aqueous, harmless']!.length).toBeGreaterThan(0)
  })
  test('more weighed than there was: the surplus is unaccounted, below nothing', () => {
    const { bench, grams } = look(
      shortPlan({ salt }, [
        { op: 'charge', in: '{salt}', vessel: flask },
        { op: 'weigh', more: { sample: 'salt' } as never },
      ]),
      { samplesG: { salt: 6 }, usedML: {} },
    )
    expect(grams()).toBeCloseTo(6, 6)
    expect(bench().unaccounted[0]!.amount).toBeLessThan(0)
  })
  test('an amount that nobody knew is known once it was weighed', () => {
    const { mmol } = look(
      shortPlan({ salt: { of: 'sodium chloride' } }, [
        { op: 'charge', in: '{salt}', vessel: flask },
        { op: 'weigh', more: { sample: 'salt' } as never },
      ]),
      { samplesG: { salt: 5.844 }, usedML: {} },
    )
    expect(mmol('sodium chloride', 0)).toBeNull()
    expect(mmol('sodium chloride', 1)).toBeCloseTo(100, 0)
  })
})

test('where a watery acid boils follows its table: 20.2 % hydrochloric acid at 108.6 °C', () => {
  const { bench } = look(
    shortPlan(
      {
        acid: { of: 'hydrochloric acid', mL: 50, form: { kind: 'mass-fraction', fraction: 0.202, gPerML: 1.1, source: 'table' } },
      },
      [{ op: 'charge', in: '{acid}', vessel: flask }],
    ),
  )
  const boils = boilsAtIn(vesselAt(bench()).phases, 760)
  expect('atC' in boils && boils.atC).toBeCloseTo(108.6, 0)
})

test('mixed nitrating acid boils at what no table has, and says so', () => {
  const strong = (fraction: number, gPerML: number) => ({ kind: 'mass-fraction' as const, fraction, gPerML, source: 'label' })
  const { bench } = look(
    shortPlan(
      {
        sulfuric: { of: 'sulfuric acid', mL: 12, form: strong(0.96, 1.84) },
        nitric: { of: 'nitric acid', mL: 4, form: strong(0.7, 1.41) },
      },
      [{ op: 'charge', in: '{sulfuric}{nitric}', vessel: flask }],
    ),
  )
  expect(boilsAtIn(vesselAt(bench()).phases, 760)).toMatchObject({ unknown: expect.anything() as unknown })
})

test('a solid dissolved in a strong acid leaves it the boiling point of its table', () => {
  const { bench } = look(
    shortPlan(
      {
        nitric: { of: 'nitric acid', mL: 14, form: { kind: 'mass-fraction', fraction: 0.68, gPerML: 1.4, source: 'label' } },
        benzoin: { of: 'benzoin', g: 4 },
      },
      [{ op: 'dissolve', in: '{nitric}{benzoin}', vessel: flask }],
    ),
  )
  const boils = boilsAtIn(vesselAt(bench()).phases, 760)
  expect('atC' in boils && boils.atC).toBeCloseTo(120.5, -1)
})

test('an equation that does not balance is followed all the same, in liquid and as solids', () => {
  const lines = (water: number): Record<string, ShortLine> => ({
    soda: { of: 'sodium carbonate', g: 2, role: 'reactant', nu: 1 },
    water: { of: 'water', mL: water },
    caffeine: { of: 'caffeine', role: 'product', nu: 1 },
  })
  for (const mL of [0.001, 2]) {
    const { mmol } = look(
      shortPlan(lines(mL), [{ op: 'charge', in: '{soda}{water}', vessel: flask }, { op: 'stir' }], { mainProduct: 'caffeine' }),
    )
    expect(mmol('caffeine')).not.toBe(0)
  }
})
