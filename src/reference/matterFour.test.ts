import { everything } from '@/core/matter/verbs'
import { holdingsIn, vesselAt } from '@/core/matter/state'
import type { OperationKey } from '@/core/operations/registry'
import { look, shortPlan, type Looked, type ShortLine, type ShortStep } from '@/test-support/matter'

/** What each operation does to matter: where all is ordinary, where nothing is there, where there is too much, and where something is unknown. Worked by hand; an operation without its four cases does not compile. */

const solution = (molPerL: number) => ({ kind: 'solution' as const, molPerL })
const flask = { kind: 'round-bottom', sizeML: 250 } as const
const funnel = { kind: 'separating funnel', sizeML: 250 } as const

const lines: Record<string, ShortLine> = {
  water: { of: 'water', mL: 50 },
  sip: { of: 'water', mL: 5 },
  hot: { of: 'water', mL: 100, role: 'solvent' },
  ether: { of: 'diethyl ether', mL: 30 },
  someEther: { of: 'diethyl ether', form: { kind: 'neat', purity: 1 } },
  toluene: { of: 'toluene', mL: 30 },
  salt: { of: 'sodium chloride', mmol: 10 },
  muchSalt: { of: 'sodium chloride', g: 36 },
  someSalt: { of: 'sodium chloride' },
  benzoic: { of: 'benzoic acid', mmol: 10 },
  someBenzoic: { of: 'benzoic acid' },
  base: { of: 'sodium hydroxide', mL: 20, form: solution(1) },
  someBase: { of: 'sodium hydroxide', mL: 20, form: { kind: 'solution' } },
  acid: { of: 'hydrochloric acid', mL: 20, form: solution(1) },
  muchAcid: { of: 'hydrochloric acid', mL: 80, form: solution(1) },
  soda: { of: 'sodium carbonate', mmol: 10 },
  someSoda: { of: 'sodium carbonate' },
  agent: { of: 'magnesium sulfate', g: 3 },
  pinch: { of: 'magnesium sulfate', g: 0.5 },
  naphthalene: { of: 'naphthalene', mmol: 10 },
  someNaphthalene: { of: 'naphthalene' },
  acetanilide: { of: 'acetanilide', g: 5 },
  muchAcetanilide: { of: 'acetanilide', g: 20 },
}

/** 50 mL at 0.998 g/mL are 2770 mmol. */
const waterMmol = (50 * 0.998) / 0.018015

const done = (goes: string, step: ShortStep, ...after: ShortStep[]) =>
  look(shortPlan(lines, [...(goes ? [{ op: 'charge' as const, in: goes, vessel: flask }] : []), step, ...after]))
const inAir = ({ bench }: Looked) => bench().air.length
const all = ({ bench }: Looked, name: string) =>
  everything(bench())
    .filter(({ thing }) => thing.name === name)
    .reduce<number | null>((sum, { amount }) => (sum === null || amount === null ? null : sum + amount), 0)
const phases = ({ bench }: Looked) => vesselAt(bench()).phases.map(({ kind }) => kind)
const isBare = (looked: Looked) => {
  expect(everything(looked.bench())).toEqual([])
  expect(looked.events('gas')).toEqual([])
}

interface Four {
  ordinary: () => void
  nothing: () => void
  tooMuch: () => void
  unknown: () => void
}

/** Nothing is moved and nothing goes in: a note, a measurement, a place. */
const moves = (op: OperationKey): Four => ({
  ordinary: () => {
    const looked = done('{water}{salt}', { op })
    expect(looked.mmol('sodium ion')).toBeCloseTo(10, 6)
    expect(looked.mmol('water')).toBeCloseTo(waterMmol, 3)
    expect(looked.bench().vessels).toHaveLength(1)
  },
  nothing: () => isBare(done('', { op })),
  tooMuch: () => {
    const looked = done('{water}{muchSalt}', { op })
    expect(looked.grams()).toBeCloseTo(49.9 + 36, 1)
    expect(inAir(looked)).toBe(0)
  },
  unknown: () => {
    const looked = done('{water}{someSalt}', { op })
    expect(looked.mmol('sodium ion')).toBeNull()
    expect(looked.mmol('water')).toBeCloseTo(waterMmol, 3)
  },
})

/** What is named stands in tubes of its own; the flask keeps what it has. */
const beside = (op: OperationKey): Four => ({
  ordinary: () => {
    const looked = done('{benzoic}', { op, in: '{acid}' })
    expect(looked.mmol('benzoic acid')).toBeCloseTo(10, 6)
    expect(looked.mmol('chloride')).toBe(0)
    expect(all(looked, 'hydrogen chloride') ?? 0 + (all(looked, 'hydrochloric acid') ?? 0)).toBeCloseTo(0, 6)
    expect(looked.bench().vessels).toHaveLength(2)
  },
  nothing: () => isBare(done('', { op })),
  tooMuch: () => {
    const looked = done('{water}', { op, in: '{muchSalt}' })
    expect(looked.mmol('water')).toBeCloseTo(waterMmol, 3)
    expect(looked.mmol('sodium ion')).toBe(0)
    expect(all(looked, 'sodium chloride')).toBeCloseTo(36000 / 58.44, 0)
  },
  unknown: () => {
    const looked = done('{water}', { op, in: '{someSalt}' })
    expect(all(looked, 'sodium chloride')).toBeNull()
    expect(looked.mmol('water')).toBeCloseTo(waterMmol, 3)
  },
})

/** What is named goes in, and dissolves as far as the liquid holds it. */
const goesIn = (op: OperationKey): Four => ({
  ordinary: () => {
    const looked = done('{salt}', { op, in: '{water}' })
    expect(looked.mmol('sodium ion')).toBeCloseTo(10, 6)
    expect(phases(looked)).toEqual(['watery'])
  },
  nothing: () => isBare(done('', { op })),
  tooMuch: () => {
    // 35.9 g to 100 g of water: 17.9 g of 36 dissolve in 49.9 g.
    const looked = done('{muchSalt}', { op, in: '{water}' })
    expect(phases(looked)).toEqual(['watery', 'solid'])
    expect(looked.mmol('sodium ion')! * 0.05844).toBeCloseTo(17.9, 1)
    expect(looked.mmol('sodium ion')! + looked.mmol('sodium chloride')!).toBeCloseTo(36000 / 58.44, 0)
  },
  unknown: () => {
    const looked = done('{someSalt}', { op, in: '{water}' })
    expect(looked.mmol('sodium ion')).toBeNull()
    expect(looked.mmol('water')).toBeCloseTo(waterMmol, 3)
  },
})

/** What is together reacts while it stands or is stirred: 10 mmol of carbonate take 20 of acid, and some 40 mL hold 1.5 mmol of the gas at the most. */
const reacts = (op: OperationKey): Four => ({
  ordinary: () => {
    const gas = done('{soda}', { op, in: '{acid}' }).gas('carbon dioxide')!
    expect(gas).toBeGreaterThan(8)
    expect(gas).toBeLessThan(10)
  },
  nothing: () => isBare(done('', { op })),
  tooMuch: () => {
    const looked = done('{soda}', { op, in: '{muchAcid}' })
    expect(looked.gas('carbon dioxide')).toBeGreaterThan(6)
    expect(looked.gas('carbon dioxide')).toBeLessThan(10)
    // 60 of 80 mmol are left in some 80 mL.
    expect(looked.pH()).toBeCloseTo(0.1, 1)
  },
  unknown: () => {
    const looked = done('{someSoda}', { op, in: '{acid}' })
    expect(all(looked, 'sodium ion')).toBeNull()
    expect(looked.pH()).toBeNull()
    expect(looked.mmol('chloride')).toBeCloseTo(20, 6)
  },
})

/** 10 mmol of an acid in ether against a base: what the base reaches goes over. */
const shakes = (op: OperationKey): Four => ({
  ordinary: () => {
    const looked = done('{ether}{benzoic}', { op, in: '{base}', typed: { into: 'B' }, vessel: funnel })
    // A hundredth of the ether's volume stays with it as water: 0.3 of 20 mL.
    expect(looked.mmol('benzoic acid', 1, 'B')).toBeGreaterThan(9.8)
    expect(looked.mmol('diethyl ether')).toBeGreaterThan(250)
  },
  nothing: () => isBare(done('', { op, vessel: funnel })),
  tooMuch: () => {
    // 20 mmol of acid are more than 20 mmol of base take to the last: with twice the acid half stays at the least.
    const looked = look(
      shortPlan({ ...lines, benzoic: { of: 'benzoic acid', mmol: 40 } }, [
        { op: 'charge', in: '{ether}{benzoic}', vessel: flask },
        { op, in: '{base}', typed: { into: 'B' }, vessel: funnel },
      ]),
    )
    expect(looked.mmol('benzoic acid', 1, 'B')).toBeGreaterThan(19)
    expect(looked.mmol('benzoic acid', 1, 'B')).toBeLessThan(21)
    expect(looked.mmol('benzoic acid')).toBeCloseTo(20, -0.5)
  },
  unknown: () => {
    const looked = done('{ether}{benzoic}', { op, in: '{someBase}', typed: { into: 'B' }, vessel: funnel })
    expect(looked.mmol('benzoic acid', 1, 'B')).toBeNull()
    expect(looked.mmol('diethyl ether')).not.toBeNull()
  },
})

const sample = { sample: 'naphthalene' } as never

const four: Record<OperationKey, Four> = {
  safety: moves('safety'),
  melt: moves('melt'),
  boil: moves('boil'),
  refract: moves('refract'),
  send: moves('send'),
  store: moves('store'),
  pause: moves('pause'),
  'thin-layer': beside('thin-layer'),
  titrate: beside('titrate'),
  test: beside('test'),
  charge: goesIn('charge'),
  add: goesIn('add'),
  rinse: goesIn('rinse'),
  dilute: goesIn('dilute'),
  dissolve: goesIn('dissolve'),
  assemble: goesIn('assemble'),
  'make-up': goesIn('make-up'),
  pour: goesIn('pour'),
  hold: reacts('hold'),
  stir: reacts('stir'),
  quench: reacts('quench'),
  'set-ph': reacts('set-ph'),
  heat: {
    ...reacts('heat'),
    tooMuch: () => {
      const looked = done('{water}', { op: 'heat', typed: { lowC: 110, highC: 120 } })
      expect(looked.events('cannot be told')).toEqual(['how much of water boils away'])
      expect(looked.mmol('water')).toBeLessThan(waterMmol)
      expect(all(looked, 'water')).toBeCloseTo(waterMmol, 3)
    },
  },
  reflux: {
    ...reacts('reflux'),
    tooMuch: () => {
      // A condenser lets nothing out, however long.
      const looked = done('{toluene}{water}', { op: 'reflux' })
      expect(looked.mmol('toluene')).toBeCloseTo((30 * 0.867 * 1000) / 92.14, -0.5)
      expect(inAir(looked)).toBe(0)
    },
  },
  cool: {
    ordinary: () => {
      // 0.46 g to 100 mL at 20 °C.
      const looked = done('{acetanilide}{hot}', { op: 'reflux' }, { op: 'cool', typed: { toC: 20 } })
      const liquid = vesselAt(looked.bench()).phases.find(({ kind }) => kind === 'watery')!
      const left = liquid.holds.find(({ thing }) => thing.name === 'acetanilide')!
      expect(left.amount! * left.thing.gPer).toBeCloseTo(0.46, 1)
    },
    nothing: () => isBare(done('', { op: 'cool', typed: { toC: 0 } })),
    tooMuch: () => {
      // 20 g are more than 100 mL hold when it boils (some 5 g): it was never clear, and still nothing is lost.
      const looked = done('{muchAcetanilide}{hot}', { op: 'reflux' }, { op: 'cool', typed: { toC: 20 } })
      expect(phases(looked)).toContain('solid')
      expect(all(looked, 'acetanilide')! * 0.13517).toBeCloseTo(20, 1)
    },
    unknown: () => {
      // Nobody has said how cold: it stays as warm as it was.
      const looked = done('{water}', { op: 'heat', typed: { lowC: 60, highC: 60 } }, { op: 'cool' })
      expect(vesselAt(looked.bench()).atC).toBe(60)
    },
  },
  extract: shakes('extract'),
  wash: shakes('wash'),
  part: {
    ordinary: () => {
      const looked = done('{ether}{water}', { op: 'part', typed: { into: 'below' }, vessel: funnel })
      expect(looked.mmol('diethyl ether')).toBeGreaterThan(200)
      expect(looked.mmol('water', 1, 'below')).toBeGreaterThan(0.95 * waterMmol)
    },
    nothing: () => {
      const looked = done('', { op: 'part', vessel: funnel })
      expect(looked.events('no layers')).toHaveLength(1)
      expect(everything(looked.bench())).toEqual([])
    },
    tooMuch: () => {
      // 5 mL of water take up 0.3 mL of 30 of ether: a small layer is one.
      const looked = done('{ether}{sip}', { op: 'part', typed: { into: 'below' }, vessel: funnel })
      expect(looked.mL(1, 'below')).toBeGreaterThan(4)
      expect(looked.mL(1, 'below')).toBeLessThan(6)
    },
    unknown: () => {
      const looked = done('{someEther}{water}{salt}', { op: 'part', typed: { into: 'below' }, vessel: funnel })
      expect(looked.mmol('sodium ion', 1, 'below')).toBeGreaterThan(9)
      expect(looked.mmol('diethyl ether')).toBeNull()
      expect(looked.events('no layers')).toEqual([])
    },
  },
  'dry-solution': {
    ordinary: () => {
      // 3 g of MgSO4 take up to 3.1 g of water; ether over 5 mL of it that was drawn off holds some 0.3 g.
      const looked = done(
        '{ether}',
        { op: 'wash', in: '{sip}', typed: { into: 'W' }, vessel: funnel },
        { op: 'dry-solution', in: '{agent}' },
        { op: 'decant' },
      )
      expect(looked.mmol('water')).toBeLessThan(0.5)
      expect(looked.mmol('magnesium sulfate')).toBe(0)
    },
    nothing: () => {
      const looked = done('', { op: 'dry-solution', in: '{agent}' })
      expect(looked.grams()).toBeCloseTo(3, 6)
    },
    tooMuch: () => {
      // 0.5 g of agent against 5 g of water.
      const looked = done('{ether}{sip}', { op: 'dry-solution', in: '{pinch}' })
      expect(looked.events('cannot be told')).toContain('how dry it becomes')
      expect(all(looked, 'water')).toBeCloseTo((5 * 0.998) / 0.018015, 1)
    },
    unknown: () => {
      const looked = done('{someEther}{sip}', { op: 'dry-solution', in: '{agent}' })
      expect(all(looked, 'diethyl ether')).toBeNull()
      expect(all(looked, 'water')).toBeCloseTo((5 * 0.998) / 0.018015, 1)
    },
  },
  decant: {
    ordinary: () => {
      const looked = done('{naphthalene}{water}', { op: 'decant' })
      expect(looked.mmol('water')).toBeGreaterThan(0.9 * waterMmol)
      // Water holds some 0.1 g to 100 mL of what hardly dissolves.
      expect(looked.mmol('naphthalene')).toBeLessThan(0.4)
    },
    nothing: () => isBare(done('', { op: 'decant' })),
    tooMuch: () => {
      // A solid alone: there is nothing to pour off, and nothing is lost.
      const looked = done('{naphthalene}', { op: 'decant' })
      expect(holdingsIn(vesselAt(looked.bench()))).toEqual([])
      expect(all(looked, 'naphthalene')).toBeCloseTo(10, 6)
    },
    unknown: () => {
      const looked = done('{someNaphthalene}{water}', { op: 'decant' })
      expect(all(looked, 'naphthalene')).toBeNull()
      expect(looked.mmol('water')).not.toBeNull()
    },
  },
  filter: {
    ordinary: () => {
      const looked = done('{naphthalene}{water}', { op: 'filter', typed: { keep: 'solid' } })
      expect(looked.mmol('naphthalene')).toBeCloseTo(10, 0)
      // Half a millilitre clings to each of 1.28 g.
      expect(looked.mmol('water')! * 0.018).toBeCloseTo(0.64, 1)
    },
    nothing: () => isBare(done('', { op: 'filter' })),
    tooMuch: () => {
      // 36 g of salt with 5 mL: all of the liquor clings.
      const looked = done('{muchSalt}{sip}', { op: 'filter', typed: { keep: 'solid' } })
      expect(looked.grams()).toBeCloseTo(36 + 4.99, 1)
    },
    unknown: () => {
      const looked = done('{someNaphthalene}{water}', { op: 'filter', typed: { keep: 'solid' } })
      expect(looked.mmol('naphthalene')).toBeNull()
      expect(all(looked, 'water')).toBeCloseTo(waterMmol, 3)
    },
  },
  evaporate: {
    ordinary: () => {
      const looked = done('{naphthalene}{ether}', { op: 'dissolve' }, { op: 'evaporate' })
      expect(looked.mmol('naphthalene')).toBeCloseTo(10, 6)
      // 99 % of 30 mL (0.713 g/mL, 74.12 g/mol) is off.
      expect(looked.mmol('diethyl ether')).toBeCloseTo((0.01 * 30 * 0.713 * 1000) / 74.12, 0)
    },
    nothing: () => isBare(done('', { op: 'evaporate' })),
    tooMuch: () => {
      // More salt than ever was dissolved: water goes, and all of the salt is solid but for what a hundredth of the water holds.
      const looked = done('{water}{muchSalt}', { op: 'evaporate' })
      expect(looked.mmol('water')).toBeCloseTo(0.01 * waterMmol, 0)
      expect(looked.mmol('sodium chloride')! * 0.05844).toBeGreaterThan(35.7)
    },
    unknown: () => {
      const looked = done('{naphthalene}{someEther}', { op: 'dissolve' }, { op: 'evaporate' })
      expect(looked.mmol('diethyl ether')).toBeNull()
      expect(all(looked, 'naphthalene')).not.toBe(0)
    },
  },
  distil: {
    ordinary: () => {
      const looked = done('{toluene}', { op: 'distil', typed: { stopML: 5 } })
      expect(looked.mL(1, 'round-bottom 250 mL')).toBeCloseTo(5, 0)
      expect(all(looked, 'toluene')).toBeCloseTo((30 * 0.867 * 1000) / 92.14, -0.5)
    },
    nothing: () => {
      const looked = done('', { op: 'distil' })
      expect(everything(looked.bench())).toEqual([])
      expect(looked.events('cannot be told')).toHaveLength(1)
    },
    tooMuch: () => {
      // More is to stay behind than is there: nothing comes over.
      const looked = done('{toluene}', { op: 'distil', typed: { stopML: 60 } })
      expect(looked.mL(1, 'round-bottom 250 mL')).toBeCloseTo(30, 0)
    },
    unknown: () => {
      const looked = done('{someEther}', { op: 'distil', typed: { stopML: 5 } })
      expect(all(looked, 'diethyl ether')).toBeNull()
      expect(looked.events('cannot be told').length).toBeGreaterThan(0)
    },
  },
  crystallise: {
    ordinary: () => {
      const looked = crystals('{acetanilide}')
      expect(looked.mmol('acetanilide')! * 0.13517).toBeGreaterThan(4.3)
      expect(looked.mmol('acetanilide')! * 0.13517).toBeLessThan(4.7)
    },
    nothing: () => {
      const looked = crystals('')
      expect(looked.mmol('acetanilide')).toBe(0)
      expect(all(looked, 'water')).toBeCloseTo(2 * waterMmol, 0)
    },
    tooMuch: () => {
      const looked = crystals('{muchAcetanilide}')
      expect(all(looked, 'acetanilide')! * 0.13517).toBeCloseTo(20, 1)
      expect(looked.mmol('acetanilide')! * 0.13517).toBeGreaterThan(19)
    },
    unknown: () => {
      const looked = crystals('{someBenzoic}')
      expect(all(looked, 'benzoic acid')).toBeNull()
      expect(all(looked, 'water')).toBeCloseTo(2 * waterMmol, 0)
    },
  },
  sublime: {
    ordinary: () => expect(done('{naphthalene}{salt}', { op: 'sublime' }).mmol('naphthalene')).toBeCloseTo(8, 6),
    nothing: () => isBare(done('', { op: 'sublime' })),
    tooMuch: () => {
      const looked = done('{muchSalt}', { op: 'sublime' })
      expect(looked.grams()).toBeCloseTo(36, 6)
      expect(looked.bench().vessels.map(({ name }) => name)).not.toContainEqual(expect.stringContaining('sublimate'))
    },
    unknown: () => expect(done('{someNaphthalene}', { op: 'sublime' }).mmol('naphthalene')).toBeNull(),
  },
  column: {
    ordinary: () => {
      const looked = done('{naphthalene}', { op: 'column', in: '{toluene}' })
      expect(holdingsIn(vesselAt(looked.bench())).some(({ certain }) => certain)).toBe(false)
      expect(all(looked, 'naphthalene')).toBeCloseTo(10, 6)
    },
    nothing: () => isBare(done('', { op: 'column' })),
    tooMuch: () => {
      const looked = done('{muchSalt}', { op: 'column', in: '{ether}' })
      expect(looked.grams()).toBeCloseTo(36 + 30 * 0.713, 0)
      expect(looked.events('cannot be told')).toContain('what each tube holds')
    },
    unknown: () => expect(all(done('{someNaphthalene}', { op: 'column', in: '{toluene}' }), 'naphthalene')).toBeNull(),
  },
  dry: {
    ordinary: () => {
      const looked = done('{naphthalene}{water}', { op: 'filter', typed: { keep: 'solid' } }, { op: 'dry', more: sample })
      expect(looked.mmol('water')).toBeCloseTo(0, 6)
      expect(looked.mmol('naphthalene')).toBeCloseTo(10, 0)
    },
    nothing: () => isBare(done('', { op: 'dry', more: sample })),
    tooMuch: () => {
      // 50 mL over a gram: all of it leaves in the end, into the air, and is counted there.
      const looked = done('{naphthalene}{water}', { op: 'dry', more: sample })
      expect(looked.mmol('water')).toBeCloseTo(0, 6)
      expect(all(looked, 'water')).toBeCloseTo(waterMmol, 3)
    },
    unknown: () => {
      const looked = done('{someNaphthalene}{sip}', { op: 'dry', more: sample })
      expect(looked.mmol('naphthalene')).toBeNull()
      expect(looked.mmol('water')).toBeCloseTo(0, 6)
    },
  },
  weigh: {
    ordinary: () => expect(weighed('{naphthalene}', 1).mmol('naphthalene')).toBeCloseTo(1000 / 128.17, 1),
    nothing: () => expect(everything(weighed('', 1).bench())).toEqual([]),
    tooMuch: () => {
      const looked = weighed('{naphthalene}', 5)
      expect(looked.grams()).toBeCloseTo(5, 6)
      expect(looked.bench().unaccounted[0]!.amount!).toBeCloseTo(10 - 5000 / 128.17, 1)
    },
    unknown: () => expect(weighed('{someNaphthalene}', 2.5634).mmol('naphthalene')).toBeCloseTo(20, 1),
  },
  dispose: {
    ordinary: () => expect(all(poured('{water}{salt}'), 'sodium ion')).toBeCloseTo(10, 6),
    nothing: () => isBare(poured('')),
    tooMuch: () => {
      const looked = poured('{water}{muchSalt}')
      expect(holdingsIn(vesselAt(looked.bench()))).toEqual([])
      expect(looked.bench().waste['aqueous, harmless']!.length).toBeGreaterThan(2)
    },
    unknown: () => {
      const looked = poured('{water}{someSalt}')
      expect(holdingsIn(vesselAt(looked.bench()))).toEqual([])
      expect(all(looked, 'sodium ion')).toBeNull()
    },
  },
}

function crystals(goes: string): Looked {
  const step: ShortStep = {
    op: 'crystallise',
    typed: { coldC: 20 },
    vessel: { kind: 'conical', sizeML: 250 },
    more: { solvent: 'hot', from: 'crude', to: 'pure' } as never,
  }
  return done(goes, step, { op: 'filter', typed: { keep: 'solid' } })
}

function weighed(goes: string, grams: number): Looked {
  const before: ShortStep[] = goes ? [{ op: 'charge', in: goes, vessel: flask }] : []
  return look(shortPlan(lines, [...before, { op: 'weigh', more: sample }]), { samplesG: { naphthalene: grams }, usedML: {} })
}

const poured = (goes: string) =>
  done(goes, { op: 'dispose', more: { waste: [{ into: 'aqueous, harmless', what: 'all that is left' }] } as never })

describe.each(Object.entries(four))('%s', (_operation, cases) => {
  test.each(Object.entries(cases) as [keyof Four, () => void][])('%s', (_which, look) => look())
})
