import { defaultLab } from '@/core/lab/lab'
import { standsIn, walkOf, type StandingVessel, type When } from '@/core/operations/vessel/standsIn'
import { pictogramsIn } from '@/core/operations/vessel/pictogramsIn'
import { reactionTable } from '@/core/reaction/reactionTable'
import { shortPlan, type ShortLine, type ShortStep } from '@/test-support/matter'

const funnel = { kind: 'separating funnel', sizeML: 250 } as const
const flask = { kind: 'round-bottom', sizeML: 100 } as const
const lines: Record<string, ShortLine> = {
  water: { of: 'water', mL: 50 },
  dichloromethane: { of: 'dichloromethane', mL: 30, role: 'solvent' },
  ether: { of: 'diethyl ether', mL: 30, role: 'solvent' },
  salt: { of: 'sodium chloride' },
  acid: { of: 'hydrochloric acid', mL: 20, form: { kind: 'solution', molPerL: 3 } },
  benzoic: { of: 'benzoic acid', g: 1.2212 },
  base: { of: 'sodium hydroxide', mL: 20, form: { kind: 'solution', molPerL: 2 } },
}

function stands(steps: ShortStep[], step: number, when: When): readonly StandingVessel[] {
  const plan = shortPlan(lines, steps)
  return standsIn(plan, walkOf(plan, reactionTable(plan), defaultLab), `s${step}`, when)
}

test('two layers in a funnel: the heavier liquid lies below, whichever it is', () => {
  const [heavy] = stands([{ op: 'charge', in: '{water}{dichloromethane}', vessel: funnel }], 0, 'after')
  expect(heavy!.phases.map(({ kind }) => kind)).toEqual(['organic', 'watery'])
  const [light] = stands([{ op: 'charge', in: '{water}{ether}', vessel: funnel }], 0, 'after')
  expect(light!.phases.map(({ kind, main }) => [kind, main])).toEqual([
    ['watery', 'water'],
    ['organic', 'diethyl ether'],
  ])
  expect(light!.sizeML).toBe(250)
  expect(light!.phases[0]!.mL).toBeCloseTo(50, -1)
})

test('an acid from base: before, while and after, with where each comes from', () => {
  const steps: ShortStep[] = [
    { op: 'charge', in: '{benzoic}{base}', vessel: flask },
    { op: 'quench', in: '{acid}' },
  ]
  const solid = (when: When) => stands(steps, 1, when)[0]!.phases.find(({ kind }) => kind === 'solid')
  expect(solid('before')).toBeUndefined()
  const [only] = solid('after')!.holds
  expect(only).toMatchObject({ name: 'benzoic acid', unit: 'mmol', certain: true, from: [{ of: 'line', name: 'benzoic acid' }] })
  const { amount } = only!
  // 10 mmol less what 40 mL hold at 0.29 g to 100 mL: 0.95 mmol.
  expect(amount === 'unknown' ? 0 : amount.likely).toBeCloseTo(9, 0)
  expect(amount === 'unknown' || amount.low <= amount.likely).toBe(true)
})

test('nothing charged is an empty vessel; an amount that nobody knows is unknown, and the volume so much at the least', () => {
  expect(stands([{ op: 'charge', vessel: flask }], 0, 'during')).toMatchObject([{ here: true, sizeML: 100, phases: [] }])
  const [vessel] = stands([{ op: 'charge', in: '{salt}{water}', vessel: flask }], 0, 'during')
  expect(vessel!.phases[0]).toMatchObject({ kind: 'watery', atLeast: true, grams: null, pH: null })
  expect(vessel!.phases[0]!.holds.find(({ name }) => name === 'sodium ion')!.amount).toBe('unknown')
  expect(vessel!.phases[0]!.holds.find(({ name }) => name === 'water')!.amount).not.toBe('unknown')
})

test('the vessel of the work stands first, then the others that hold something; a step of no plan stands nowhere', () => {
  const steps: ShortStep[] = [
    { op: 'charge', in: '{ether}{benzoic}', vessel: flask },
    { op: 'wash', in: '{base}', typed: { into: 'B' }, vessel: funnel },
  ]
  const vessels = stands(steps, 1, 'after')
  expect(vessels.map(({ name, here }) => [name, here])).toEqual([
    [vessels[0]!.name, true],
    ['B', false],
  ])
  expect(vessels[1]!.kept).toBe('aqueous layer')
  expect(stands(steps, 7, 'after')).toEqual([])
})

test('pictograms are those of what is there, also of an acid that stands as its ions, and gone with what was parted', () => {
  const plan = shortPlan(lines, [
    { op: 'charge', in: '{ether}{acid}', vessel: funnel },
    { op: 'part', typed: { into: 'W' } },
    { op: 'none' },
  ])
  const at = (step: number) => pictogramsIn(plan, reactionTable(plan), plan.steps[step]!, defaultLab)
  expect(at(0)).toContain('GHS05')
  expect(at(0)).toContain('GHS02')
  expect(at(2)).toContain('GHS02')
})

test('ammonia is the gas of its solution, and as corrosive as its bottle', () => {
  const plan = shortPlan(
    { ammonia: { of: 'ammonia solution', mL: 20, form: { kind: 'solution', molPerL: 10 } }, water: lines.water! },
    [{ op: 'charge', in: '{ammonia}{water}', vessel: flask }, { op: 'none' }],
  )
  const brought = plan.substances.find(({ id }) => id === plan.lines[0]!.substance)!.hazards!.pictograms
  expect(brought.length).toBeGreaterThan(0)
  expect(pictogramsIn(plan, reactionTable(plan), plan.steps[1]!, defaultLab)).toEqual([...brought].sort())
})
