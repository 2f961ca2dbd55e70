import { acetanilide } from '@/test-support/plans'
import { addStep } from '../../edit/addStep'
import { readPlanFile, writePlanFile } from '../../format/planFile'
import { changeStep } from '../../plan/editPlan'
import { reactionTable } from '../../reaction/reactionTable'
import { blanksOf, contextOf, plannerFor, reportFor } from '../planners'
import { slots, slotsOf } from '../send/sampleSlots'
import { methodIn, type TestBlanks } from './planner'
import { ownTest, panelFor, panelLacks, testMethodOf, testMethods } from './testPanel'

test('a panel is read against a control and a blank', () => {
  const panel = panelFor([{ what: 'crude', expect: 'positive' }], 'benzaldehyde')
  expect(panel.map(({ holds }) => holds)).toEqual(['sample', 'control', 'blank'])
  expect(panelLacks(panel)).toEqual([])
  expect(panelLacks(panel.slice(0, 1))).toHaveLength(2)
  expect(panelLacks([])[0]).toBe('a sample')
})

test('every method has a name of its own and can be found by it', () => {
  for (const method of testMethods) expect(testMethodOf(method.name)).toBe(method)
  expect(() => testMethodOf('taste')).toThrow('taste')
})

test('a tray of 48: bench 2 with two samples has A3 and A4, bench 24 the last two, bench 25 none', () => {
  expect(slots).toHaveLength(48)
  expect(slotsOf(2, 2)).toEqual(['A3', 'A4'])
  expect(slotsOf(24, 2)).toEqual(['F7', 'F8'])
  expect(slotsOf(25, 2)).toBeNull()
  expect(() => slotsOf(0, 1)).toThrow('whole numbers')
})

describe('a test of one’s own', () => {
  const { plan, id } = addStep(acetanilide, 'test')
  const own = {
    of: 'test',
    method: ownTest,
    ownName: 'starch and iodide',
    ownReagent: 'starch with potassium iodide',
    ownDrops: 4,
    ownSign: 'blue',
    ownControl: 'iodine',
    ownProves: 'something that oxidises iodide',
    ownNot: 'that it is a peroxide',
    ownHeed: 'Gloves.',
    ownWatchMin: 3,
    ownWarm: 'yes',
  }
  const said = (more: Record<string, string | number> = {}) => {
    const typed = changeStep(plan, id, { work: { ...own, ...more } })
    const context = contextOf(
      typed,
      reactionTable(typed),
      typed.steps.find((step) => step.id === id)!,
    )
    const filled = blanksOf<TestBlanks>(context)
    return { typed, method: methodIn(filled), filled, report: reportFor(context)! }
  }
  const advice = (more: Record<string, string | number>, name: string) =>
    said(more).report.advice.find((each) => each.id === name)?.words

  test('stands in the plan with its sign, control, proof and caution, and is read back', () => {
    const { typed, method, report } = said()
    expect(readPlanFile(writePlanFile(typed))).toEqual(typed)
    expect(method).toMatchObject({ name: 'starch and iodide', sign: 'blue', watchMin: 3, warm: true, heed: 'Gloves.' })
    expect(report.facts.find(({ id }) => id === 'recipe')).toMatchObject({ value: 4, name: 'starch with potassium iodide' })
    expect(advice({}, 'sign')).toContain('something that oxidises iodide')
    expect(report.advice.find((each) => each.id === 'sign')?.why).toContain('that it is a peroxide')
    expect(advice({}, 'heed')).toBe('Gloves.')
    expect(advice({}, 'unsaid')).toBeUndefined()
  })
  test.each([
    ['ownReagent', 'its reagent'],
    ['ownSign', 'the sign'],
    ['ownControl', 'known to answer'],
    ['ownProves', 'what it proves'],
    ['ownNot', 'does not prove'],
  ])('asks for %s', (blank, words) => expect(advice({ [blank]: '' }, 'unsaid')).toContain(words))
  test('what the sample does in it nobody has said, and one on record has no such blanks', () => {
    expect(said().filled.tubes[0]).toMatchObject({ holds: 'sample', expect: 'negative' })
    const { report } = said({ method: 'litmus' })
    expect(report.advice.find(({ id }) => id === 'sign')?.words).toContain('red in acid')
    expect(
      plannerFor(plan.steps.find((step) => step.id === id)!)!.sentences({ ...said({ method: 'litmus' }).filled }),
    ).toHaveLength(1)
    expect(plannerFor(plan.steps.find((step) => step.id === id)!)!.sentences({ ...said().filled })).toHaveLength(3)
  })
})
