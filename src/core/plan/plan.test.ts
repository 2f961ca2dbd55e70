import fc from 'fast-check'
import { acetanilide, benzoin } from '@/test-support/plans'
import { checkPlan, readPlanFile, writePlanFile } from '../format/planFile'
import type { Reading } from '../quantity/readQuantity'
import { computedLine, reactionTable, theoreticalYield } from '../reaction/reactionTable'
import { scalePlan } from '../edit/scalePlan'
import {
  addLine,
  changeLine,
  changeStep,
  freeId,
  moveLine,
  moveStep,
  removeLine,
  removeStep,
  stepsThatUse,
  usualForm,
} from './editPlan'
import { addStep } from '../edit/addStep'
import { newIsolation, newPlan } from '../edit/newPlan'
import { operationOf, operations, operationsLike, type OperationKey } from '../operations/registry'
import { mainResult, type Plan, type Step } from './plan'
import { type Substance } from '../substance/substance'
import { comparePlans } from '../edit/comparePlans'
import { safetySheet } from '../safety/safetySheet'

const toluene: Substance = {
  id: 'toluene',
  name: 'toluene',
  formula: 'C7H8',
  density: { gPerML: 0.867, source: 'a handbook' },
  melting: { lowC: -95, highC: -95, source: 'a handbook' },
}
const bromobutane: Substance = { id: '1-bromobutane', name: '1-bromobutane', formula: 'C4H9Br' }
const done = (read: Reading<Plan>): Plan => {
  if (!read.ok) throw new Error(read.problem)
  return read.value
}
const refused = (read: Reading<Plan>): string => (read.ok ? '' : read.problem)
const ids = (items: readonly { id: string }[]) => items.map(({ id }) => id)

describe('ids', () => {
  test.each([
    ['1-bromobutane', [], 'n-1-bromobutane'],
    ['N,N-dimethylaniline', [], 'n-n-dimethylaniline'],
    ['water', ['water'], 'water-2'],
    ['water', ['water', 'water-2'], 'water-3'],
    ['Ätzkali', [], 'tzkali'],
  ])('%s beside %j becomes %s', (wanted, taken, id) => expect(freeId(wanted, taken)).toBe(id))
})

describe('a new preparation', () => {
  const fresh = newPlan('A new one', toluene, bromobutane)

  test('is a valid plan file with one starting material, one product and the safety step', () => {
    expect(readPlanFile(writePlanFile(fresh))).toEqual(fresh)
    expect(fresh.lines.map(({ role, coefficient }) => [role, coefficient])).toEqual([
      ['reactant', 1],
      ['product', 1],
    ])
    expect([fresh.reference, fresh.mainProduct]).toEqual(['toluene', 'n-1-bromobutane'])
    expect(fresh.steps.map(({ kind }) => kind)).toEqual(['safety'])
  })

  test('nothing is expected of it until somebody says so, and all that theory allows is counted with', () => {
    const plan = newPlan('x', toluene, bromobutane)
    expect([plan.expectedYield, mainResult(plan)!.expected]).toEqual([undefined, undefined])
    const isolated = newIsolation('x', toluene, bromobutane)
    expect(isolated.recoveries).toEqual([{ sample: 'purified', product: expect.any(String) as string, of: isolated.reference }])
    checkPlan(isolated)
  })

  test('has no yield until an amount is typed', () => {
    expect(theoreticalYield(fresh, reactionTable(fresh))).toBeNull()
  })

  test('a liquid comes by volume, a solid and an unknown by mass', () => {
    expect(usualForm(toluene).kind).toBe('neat')
    expect(usualForm(bromobutane).kind).toBe('solid')
    expect(usualForm({ ...toluene, melting: { lowC: 80, highC: 81, source: 'x' } }).kind).toBe('solid')
  })
})

describe('lines', () => {
  test('a further reactant stands before the products without an amount or a ratio, a solvent outside the equation, a product last', () => {
    const more = addLine(addLine(acetanilide, toluene, 'reactant'), bromobutane, 'by-product')
    expect(ids(more.lines).slice(-4)).toEqual(['toluene', 'acetanilide', 'by-acid', 'n-1-bromobutane'])
    expect(more.lines.find(({ id }) => id === 'toluene')).toMatchObject({ coefficient: 1, anchor: null })
    expect(computedLine(reactionTable(more), 'toluene')).toMatchObject({ ratio: null, excess: null })
    expect(addLine(acetanilide, toluene, 'solvent').lines.find(({ id }) => id === 'toluene')).toMatchObject({
      coefficient: null,
      anchor: null,
    })
    checkPlan(more)
  })

  test('a substance that the plan has is not copied again; the line gets an id of its own', () => {
    const water = acetanilide.substances.find(({ id }) => id === 'water')!
    const more = addLine(acetanilide, water, 'solvent')
    expect(more.substances).toHaveLength(acetanilide.substances.length)
    expect(ids(more.lines)).toContain('water')
    expect(ids(addLine(more, water, 'solvent').lines)).toContain('water-2')
  })

  test('adding and removing a line gives the plan back', () => {
    expect(done(removeLine(addLine(acetanilide, toluene, 'solvent'), 'toluene'))).toEqual(acetanilide)
  })

  test.each([
    ['aniline', 'Ratios count from aniline'],
    ['acetanilide', 'the main product'],
    ['hot-water', 'The step “Crystallise” uses water'],
    ['quench-water', 'The step “Pour into water” uses water'],
    ['nothing', 'no longer in the table'],
  ])('%s may not be removed: %s', (id, words) => expect(refused(removeLine(acetanilide, id))).toContain(words))

  test('steps that use a line are those that charge it or name it', () => {
    expect(ids(stepsThatUse(acetanilide, 'hot-water'))).toEqual(['crystallise'])
    expect(ids(stepsThatUse(acetanilide, 'acetic-acid'))).toEqual(['charge-acid'])
  })

  test('a role outside the equation loses its coefficient, a product its anchor', () => {
    const zinc = (plan: Plan) => plan.lines.find(({ id }) => id === 'zinc')!
    expect(zinc(done(changeLine(acetanilide, 'zinc', { role: 'reactant' }))).coefficient).toBe(1)
    expect(zinc(done(changeLine(acetanilide, 'zinc', { role: 'by-product' })))).toMatchObject({ coefficient: 1, anchor: null })
    const anhydride = done(changeLine(acetanilide, 'anhydride', { role: 'solvent' })).lines[1]!
    expect(anhydride.coefficient).toBeNull()
    expect(refused(changeLine(acetanilide, 'aniline', { role: 'solvent' }))).toContain('stays a reactant')
    expect(refused(changeLine(acetanilide, 'acetanilide', { role: 'by-product' }))).toContain('stays the product')
  })

  test('purity changes the amount, worked by hand: 4.00 mL × 1.022 × 0.90 ÷ 93.129 = 39.51 mmol', () => {
    const old = done(changeLine(acetanilide, 'aniline', { form: { kind: 'neat', purity: 0.9 } }))
    expect(computedLine(reactionTable(old), 'aniline').amount!.value).toBeCloseTo(39.506, 2)
  })

  test('a mass does not survive a change to a solution without a density; an emptied note is gone', () => {
    const zinc = done(changeLine(acetanilide, 'zinc', { form: { kind: 'solution', molPerL: 1 }, note: '' })).lines[3]!
    expect([zinc.anchor, 'note' in zinc]).toEqual([null, false])
  })

  test('moving there and back gives the plan back', () => {
    fc.assert(
      fc.property(fc.nat(acetanilide.lines.length - 1), fc.integer({ min: -3, max: 20 }), (from, to) => {
        const id = acetanilide.lines[from]!.id
        const there = moveLine(acetanilide, id, to)
        expect(ids(there.lines).sort()).toEqual(ids(acetanilide.lines).sort())
        expect(moveLine(there, id, from)).toEqual(acetanilide)
      }),
    )
  })
})

describe('steps', () => {
  const every = Object.keys(operations) as OperationKey[]

  test.each(every)('%s: the step that is added is valid, and is known again as what it is', (key) => {
    const { plan, id } = addStep(benzoin, key)
    checkPlan(plan)
    const added = plan.steps.at(-1)!
    expect(added.id).toBe(id)
    expect(operationOf(added)).toBe(key)
    expect(removeStep(plan, id)).toEqual(benzoin)
  })

  test.each([
    ['cry', 'crystallise'],
    ['fil', 'filter'],
    ['heat', 'reflux'],
    ['under', 'reflux'],
    ['dry', 'dry-solution'],
    ['dry the solid', 'dry'],
    ['W', 'wash'],
    ['sample', 'send'],
  ])('“%s” offers %s first', (text, key) => expect(operationsLike(text)[0]).toBe(key))

  test('nothing typed offers all, nonsense none', () => {
    expect(operationsLike('')).toHaveLength(every.length)
    expect(operationsLike('zzz')).toEqual([])
  })

  test('a step is added after the one named and moved by its place', () => {
    const { plan, id } = addStep(benzoin, 'wash', 'safety')
    expect(plan.steps[1]!.id).toBe(id)
    expect(moveStep(plan, id, 4).steps[4]!.id).toBe(id)
    expect(moveStep(plan, id, -1).steps[0]!.id).toBe(id)
  })

  test('a changed field is kept, an emptied optional one is gone', () => {
    const changed = changeStep(acetanilide, 'reflux', { holdMin: 30, until: '', witness: true })
    const step = changed.steps.find(({ id }) => id === 'reflux')!
    expect(step).toMatchObject({ holdMin: 30, witness: true })
    expect('until' in step).toBe(false)
    checkPlan(changed)
  })

  test('the product of a crystallisation is what is dried and melted next', () => {
    const first = addStep(newPlan('x', toluene, bromobutane), 'crystallise').plan
    expect(addStep(first, 'dry').plan.steps.at(-1)).toMatchObject({ sample: 'purified' })
    expect(addStep(first, 'melt').plan.steps.at(-1)).toMatchObject({ sample: 'purified' })
  })
})

describe('the safety sheet', () => {
  const sheet = safetySheet(acetanilide)

  test('names every substance in use that is hazardous, the gravest first, with the pictograms that occur', () => {
    expect(ids(sheet.substances)[0]).toBe('aniline')
    expect(sheet.substances.at(-1)!.hazards!.signal).toBe('warning')
    expect(sheet.pictograms).toEqual(expect.arrayContaining(['GHS02', 'GHS05', 'GHS06', 'GHS08', 'GHS09']))
    expect(sheet.codes).toContain('H331')
  })

  test('danger stands before warning however much the warning has to say, and more before less', () => {
    const hazards = (signal: 'danger' | 'warning', statements: string[]) => ({ signal, statements, pictograms: [], source: '' })
    const named = (id: string, signal: 'danger' | 'warning', statements: string[]) => ({
      id,
      name: id,
      hazards: hazards(signal, statements),
    })
    const plan = [
      named('much', 'warning', ['H302', 'H312', 'H332', 'H315']),
      named('one', 'danger', ['H301']),
      named('two', 'danger', ['H301', 'H311']),
    ].reduce((all, substance) => addLine(all, substance, 'reagent'), {
      ...acetanilide,
      lines: [],
      substances: [],
      steps: [],
    } as Plan)
    expect(ids(safetySheet(plan).substances)).toEqual(['two', 'one', 'much'])
  })

  test('dangers of the operations and cautions of the steps, each once', () => {
    const words = sheet.dangers.map((danger) => danger.words)
    expect(new Set(words).size).toBe(words.length)
    expect(words).toContain(operations.reflux.danger)
    expect(words).toContain('It heats itself: wait when it boils up.')
    expect(sheet.dangers.find((danger) => danger.words === operations.filter.danger)!.steps).toEqual([
      'Filter',
      'Filter crystals',
    ])
  })

  test('a substance without a record is said to be unknown, and waste is gathered by stream', () => {
    const more = addLine(acetanilide, { ...bromobutane, waste: 'halogenated organic' }, 'reagent')
    expect(safetySheet(more).waste).toContainEqual(
      expect.objectContaining({ stream: 'halogenated organic', substances: ['1-bromobutane'] }),
    )
    expect(ids(safetySheet(addLine(acetanilide, bromobutane, 'reagent')).unknown)).toContain('n-1-bromobutane')
  })
})

describe('two revisions compared', () => {
  const said = (after: Plan) => comparePlans(acetanilide, after).map(({ what, before, after: now }) => [what, before, now])

  test('what was typed into a planner is named field by field, lists by their rows', () => {
    const step = (work: Step['work']) =>
      ({ ...acetanilide, steps: acetanilide.steps.map((each) => (each.id === 'dry' ? { ...each, work } : each)) }) as Plan
    expect(said(step({ of: 'dry', ovenC: 70, weighings: [{ atMin: 0, massG: 5.2 }] }))).toEqual([
      ['oven, worked out for “Dry, weigh twice”', '60', '70'],
      ['weighings, worked out for “Dry, weigh twice”', 'as the plan says', '0 5.2'],
    ])
  })

  test('nothing differs from itself', () => expect(said(structuredClone(acetanilide))).toEqual([]))

  test('what a step makes sure of is said in words', () => {
    const steps = acetanilide.steps.map((each) => (each.id === 'melt' ? { ...each, says: [] } : each))
    expect(said({ ...acetanilide, steps } as Plan)).toEqual([
      [expect.stringMatching(/^so it is of/), 'near the melting point it is heated by 1 to 2 °C a minute', ''],
    ])
  })

  test('a typed amount, a bottle, a line that came', () => {
    const purer = done(changeLine(acetanilide, 'anhydride', { form: { kind: 'neat', purity: 1 } }))
    const more = addLine(scalePlan(purer, 2), toluene, 'solvent')
    expect(said(more)).toEqual(
      expect.arrayContaining([
        ['amount of aniline', '4.00 mL', '8.00 mL'],
        ['bottle of acetic anhydride', 'neat, 98.0 %', 'neat, 100.0 %'],
        ['toluene', null, 'no amount'],
      ]),
    )
  })

  test('a step changed, moved, taken out; words and safety', () => {
    const changedPlan = {
      ...removeStep(moveStep(changeStep(acetanilide, 'reflux', { holdMin: 30, witness: true }), 'melt', 0), 'cool'),
      aim: 'Another aim',
      safety: { ...acetanilide.safety, ownWords: 'Mind the step.' },
    }
    const differences = said(changedPlan)
    expect(differences).toEqual(
      expect.arrayContaining([
        ['aim', acetanilide.aim, 'Another aim'],
        ['clock of “Heat under reflux”', '20', '30'],
        ['signature of “Heat under reflux”', '', 'yes'],
        ['own words', '', 'Mind the step.'],
      ]),
    )
    expect(differences.find(([what]) => what === 'order of the steps')).toBeDefined()
    expect(differences.find(([what]) => what === 'step “Cool in ice”')![2]).toBeNull()
  })

  test('turned round, before and after change places', () => {
    const other = scalePlan(acetanilide, 0.5)
    const there = comparePlans(acetanilide, other)
    const back = comparePlans(other, acetanilide)
    expect(back.map(({ before, after }) => [after, before])).toEqual(there.map(({ before, after }) => [before, after]))
  })
})
