/** What holds for every planner, and what cannot be known. */
import { addStep } from '../edit/addStep'
import type { Line, Plan } from '../plan/plan'
import { reactionTable } from '../reaction/reactionTable'
import type { Substance } from '../substance/substance'
import { contextOf, filledFor, planners, problemIn, reportFor } from './planners'
import type { OperationKey } from './registry'
import { operations } from './registry'
import { at } from '@/test-support/planned'
import { acetanilide, isopentylAcetate, separation } from '@/test-support/plans'

describe('every planner', () => {
  const all = Object.entries(planners) as [OperationKey, NonNullable<(typeof planners)[OperationKey]>][]
  test('there is one for each operation that has figures', () => expect(all).toHaveLength(22))
  test.each(all)(
    '%s: every blank has a field, a value within its bounds, and a report, also on a step just added',
    (key, planner) => {
      for (const base of [acetanilide, separation]) {
        const { plan, id } = addStep(base, key, 'reflux')
        const context = contextOf(
          plan,
          reactionTable(plan),
          plan.steps.find((step) => step.id === id)!,
        )
        const filled = filledFor(context)
        const blanks = planner
          .sentences(filled)
          .flatMap((sentence) => [...sentence.matchAll(/\{(\w+)\}/g)].map(([, name]) => name!))
        for (const name of blanks) expect(planner.fields.some((field) => field.key === name)).toBe(true)
        for (const field of planner.fields)
          if (filled[field.key] !== undefined) expect(problemIn(field, filled[field.key])).toBeUndefined()
        const report = reportFor(context, filled)!
        expect(new Set(report.facts.map((fact) => fact.id)).size).toBe(report.facts.length)
        for (const { value, text } of report.facts) {
          expect(Number.isFinite(value)).toBe(true)
          expect(text).not.toContain('NaN')
        }
      }
    },
  )
  test.each(all)('%s: what is typed outside a field’s bounds is refused in words', (_key, planner) => {
    for (const field of planner.fields) {
      if (field.kind === 'number') expect(problemIn(field, field.most + 1)).toContain('between')
      if (field.kind === 'number') expect(problemIn(field, 'much')).toContain('is a number')
      if (field.kind === 'rows') expect(problemIn(field, 'none')).toContain('is a list')
      if (field.kind === 'choice' && field.key !== 'instrument') expect(problemIn(field, 'something else')).toContain('is one of')
    }
  })
  test('a step without figures has none', () => {
    const step = acetanilide.steps.find(({ kind }) => kind === 'safety')!
    const context = contextOf(acetanilide, reactionTable(acetanilide), step)
    expect(reportFor(context)).toBeNull()
    expect(filledFor(context)).toEqual({})
    expect(() => contextOf(acetanilide, reactionTable(acetanilide), { ...step, id: 'other' })).toThrow('other')
  })
  test('a substance that was typed is held by its id, however the file names it; what is none of the plan’s stays as it was typed', () => {
    const typed = (name: string) =>
      at(isopentylAcetate, 'distil', { wantedOf: name, components: [{ name, mmol: 5 }] }).filled as Record<string, unknown>
    for (const said of ['isopentyl alcohol', 'isopentyl-alcohol'])
      expect(typed(said)).toMatchObject({ wantedOf: 'isopentyl-alcohol', components: [{ name: 'isopentyl-alcohol', mmol: 5 }] })
    expect(typed('isopentyl')).toMatchObject({ wantedOf: 'isopentyl', components: [{ name: 'isopentyl', mmol: 5 }] })
    // Words of a sample or of a layer are read as what they are.
    expect(at(separation, 'extract-acid', { into: 'fluorene' }).filled.into).toBe('fluorene')
  })
  test('what was typed for another operation does not count', () => {
    const step = { ...acetanilide.steps.find(({ id }) => id === 'cool')!, work: { of: 'melt', lowC: 5 } }
    const plan = { ...acetanilide, steps: acetanilide.steps.map((each) => (each.id === 'cool' ? step : each)) }
    expect(filledFor(contextOf(plan, reactionTable(plan), step))).not.toHaveProperty('lowC')
  })
})

describe('what cannot be known is not said', () => {
  const inFlask = (form: Line['form'], substance: Substance): Plan => ({
    ...acetanilide,
    substances: [...acetanilide.substances, { ...substance, id: 'main' }],
    lines: acetanilide.lines.map((line) =>
      line.id === 'acetic-acid'
        ? { ...line, substance: 'main', form, anchor: { of: 'volume', quantity: { value: 25, unit: 'mL', decimals: 1 } } }
        : line,
    ),
  })
  test.each([
    [
      'sulfuric acid that is taken as neat, without a density',
      inFlask(
        { kind: 'neat', purity: 0.96 },
        { id: '', name: 'sulfuric acid', formula: 'H2SO4', boiling: { lowC: 337, highC: 337, source: 'x' } },
      ),
    ],
    [
      'a liquid whose boiling point nobody has written',
      inFlask({ kind: 'neat', purity: 1 }, { id: '', name: 'an oil', formula: 'C9H12' }),
    ],
  ])('%s', (_what, plan) => {
    const { fact, advice, filled, report } = at(plan, 'reflux')
    expect([fact('boil'), filled.boilC, advice('bath'), advice('condenser')]).toEqual([undefined, 0, undefined, undefined])
    expect(advice('boil-unknown')!.words).toMatch(/is not known/)
    expect(JSON.stringify(report)).not.toMatch(/1388|1405|337|\b83\b/)
    // What is typed counts.
    expect(at(plan, 'reflux', { boilC: 101 }).advice('bath')).toBeDefined()
  })

  // The 0.4 mL of hydrochloric acid that stay in the ether, 1.27 mmol, are met first.
  test('40 mmol of base to 100 of acid, less what meets the acid before, take so much and no more', () => {
    const base = separation.lines.find(({ id }) => id === 'base')!
    const [acid] = separation.lines.filter(({ role }) => role === 'component')
    const held = at(separation, 'extract-base').context.table.lines.find(({ line }) => line.id === acid!.id)!.amount!.value
    const with_ = (mmol: number): Plan => ({
      ...separation,
      lines: separation.lines.map((line) =>
        line.id === base.id
          ? {
              ...line,
              form: { kind: 'solution', molPerL: 1, gPerML: 1 },
              anchor: { of: 'volume', quantity: { value: mmol, unit: 'mL', decimals: 2 } },
            }
          : line,
      ),
    })
    const short = at(with_(held * 0.4), 'extract-base')
    expect(short.advice('too-little')).toMatchObject({ level: 'danger' })
    // And a tenth of the salt that forms stands in those drops.
    expect(short.fact('taken')).toBeCloseTo((0.92 * 100 * (held * 0.4 - 1.27)) / held, 0)
    expect([short.fact('count'), short.fact('limit')]).toEqual([undefined, undefined])
    const enough = at(with_(held * 1.2 + 1.27), 'extract-base')
    expect(enough.advice('too-little')).toBeUndefined()
    expect(enough.fact('taken')).toBeGreaterThan(96)
  })
})

test('operations know their planners by name', () => {
  for (const key of Object.keys(planners)) expect(operations).toHaveProperty(key)
})
