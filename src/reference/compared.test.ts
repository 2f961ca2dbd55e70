import { acetanilide } from '@/test-support/plans'
import { valuesOf, withComparisons, type Comparison } from './compared'
import { withGraver } from './graver'
import { forPlan, substanceRecords } from './records'

const toluene = substanceRecords.find(({ id }) => id === 'toluene')!
const density = valuesOf(toluene).find(({ what }) => what === 'density')!
const tick: Comparison = { record: 'toluene', what: 'density', value: density.value, by: 'I. Varga', on: '2026-11-26' }

describe('honest sources', () => {
  test('nobody has compared what ships: every value says so, in the copy of a plan as well', () => {
    for (const record of substanceRecords)
      for (const { source } of valuesOf(withComparisons(record, []))) expect(source).toMatch(/; not yet compared with it$/)
    expect(forPlan(withComparisons(toluene, [])).boiling!.source).toMatch(/not yet compared/)
  })

  test('who has compared a value stands behind its source, and behind no other', () => {
    const { density: now, boiling } = withComparisons(toluene, [tick])
    expect(now!.source).toMatch(/Handbook.*; compared with it by I\. Varga, 2026-11-26$/)
    expect(boiling!.source).toMatch(/not yet compared/)
  })

  test('a value that has changed since, or of another record, is not compared', () => {
    for (const other of [
      { ...tick, value: density.value.replace('0.8', '0.9') },
      { ...tick, record: 'benzene' },
    ])
      expect(withComparisons(toluene, [other]).density!.source).toMatch(/not yet compared/)
  })

  test('each solubility is a value of its own', () => {
    const record = substanceRecords.find(({ id }) => id === 'phenacetin')!
    expect(valuesOf(record).map(({ what }) => what)).toEqual(
      expect.arrayContaining(['solubility in water', 'solubility in ethanol']),
    )
  })
})

describe('graver since', () => {
  const frozen = {
    ...acetanilide,
    substances: [forPlan({ ...toluene, hazards: { ...toluene.hazards!, statements: ['H225', 'H304'] } })],
  }

  test('what a record says more than the copy of a plan is shown and said', () => {
    const { plan, graver } = withGraver(frozen)
    expect(graver).toEqual([{ substance: 'toluene', news: expect.arrayContaining(['H361d']) as string[] }])
    expect(graver[0]!.news).not.toContain('H225')
    const codes = plan.substances[0]!.hazards!.statements
    expect(codes).toEqual(expect.arrayContaining(['H225', 'H304', 'H361d', 'H373']))
    expect(plan.substances[0]!.hazards!.pictograms).toContain('GHS08')
  })

  test('nothing is said where the record says no more, of another formula, or where the author read the label', () => {
    const unchanged = { ...frozen, substances: [forPlan(toluene)] }
    expect(withGraver(unchanged)).toEqual({ plan: unchanged, graver: [] })
    const [copy] = frozen.substances
    expect(withGraver({ ...frozen, substances: [{ ...copy!, formula: 'C8H10' }] }).graver).toEqual([])
    const own = { ...copy!.hazards!, byAuthor: true }
    expect(withGraver({ ...frozen, substances: [{ ...copy!, hazards: own }] }).graver).toEqual([])
  })

  test('a plan that had none takes all of them', () => {
    const { hazards: _none, ...bare } = forPlan(toluene)
    expect(withGraver({ ...frozen, substances: [bare] }).graver[0]!.news).toHaveLength(toluene.hazards!.statements.length)
  })
})
