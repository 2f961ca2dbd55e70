import { acetanilide } from '@/test-support/plans'
import fc from 'fast-check'
import { scalePlan } from '../edit/scalePlan'
import type { Plan } from '../plan/plan'
import { chargedLines, dispensed, reactionTable } from '../reaction/reactionTable'
import { settingOut, twoFigures, type ToSetOut } from './settingOut'
import { thingsFor } from './things'

const scales = [1, 1, 0.8, 1, 1, 1, 0.8, 1.2]
const session = (plan: Plan = acetanilide, each: readonly number[] = scales, id = 's'): ToSetOut => ({
  id,
  plan,
  groups: each.map((scale, index) => ({ bench: index + 1, scale })),
})
const need = (name: string, from = settingOut([session()])) => from.needs.find((each) => each.substance.name === name)!

describe('what is set out for eight benches, by hand', () => {
  test.each([
    // 7.8 times the plan in all.
    ['aniline', 'mL', 4 * 7.8, 35], // 31.2 × 1.1 = 34.32
    ['acetic anhydride', 'mL', 5 * 7.8, 43], // 39 × 1.1 = 42.9
    ['zinc dust', 'g', 0.1 * 7.8, 0.86], // 0.78 × 1.1 = 0.858
    ['water', 'mL', (80 + 98) * 7.8, 1600], // 1388.4 × 1.1 = 1527.24, both waters together
  ])('%s', (name, unit, sum, issue) => {
    const found = need(name)
    expect(found.unit).toBe(unit)
    expect(found.sum).toBeCloseTo(sum, 9)
    expect(found.issue).toBe(issue)
  })

  test('each bench by its own scale, up to what its cylinder shows', () => {
    const { shares } = need('aniline')
    expect(shares.map(({ bench, value }) => [bench, value])).toContainEqual([8, 4.8])
    const odd = settingOut([session(acetanilide, [0.77])]).needs.find(({ substance }) => substance.name === 'aniline')!
    // 3.08 mL on a cylinder of 10 mL that is read to 0.05 mL.
    expect(odd.shares[0]).toMatchObject({ exact: expect.closeTo(3.08, 9) as number, value: 3.1 })
  })

  test('never less than the benches are handed, though spare is nothing', () => {
    const found = settingOut([session(acetanilide, Array(8).fill(0.77))], 0)
    const aniline = found.needs.find(({ substance }) => substance.name === 'aniline')!
    expect(aniline.issue).toBeGreaterThanOrEqual(8 * 3.1)
  })

  test('what a plan fixes does not follow the scale', () => {
    const fixed = {
      ...acetanilide,
      lines: acetanilide.lines.map((line) => (line.id === 'zinc' ? { ...line, fixed: true } : line)),
    }
    expect(need('zinc dust', settingOut([session(fixed, [2, 2])])).sum).toBeCloseTo(0.2, 9)
    expect(need('aniline', settingOut([session(fixed, [2, 2])])).sum).toBeCloseTo(16, 9)
  })

  test('a line without an amount is named, and what was made before is brought, not issued', () => {
    const lines = acetanilide.lines.map((line) => {
      if (line.id === 'zinc') return { ...line, anchor: null }
      return line.id === 'anhydride' ? { ...line, madeIn: 'Another preparation' } : line
    })
    const found = settingOut([session({ ...acetanilide, lines })])
    expect(found.unsaid).toEqual([{ session: 's', name: 'zinc dust' }])
    expect(need('acetic anhydride', found)).toMatchObject({ issue: 0, madeIn: 'Another preparation' })
  })

  test('two sessions together: one sum, and whose share is whose', () => {
    const both = settingOut([session(acetanilide, [1], 'a'), session(acetanilide, [1, 1], 'b')])
    expect(need('aniline', both).sum).toBeCloseTo(12, 9)
    expect(need('aniline', both).shares.map((share) => share.session)).toEqual(['a', 'b', 'b'])
  })
})

test('up to two figures', () => {
  expect([47.3, 1234, 0.0861, 48, 0.1, 0, 99.5].map(twoFigures)).toEqual([48, 1300, 0.087, 48, 0.1, 0, 100])
})

test('sums before rounding are linear in the groups, and nothing is issued twice', () => {
  const anyScales = fc.array(fc.constantFrom(0.5, 0.8, 1, 1.2, 2), { minLength: 1, maxLength: 6 })
  fc.assert(
    fc.property(anyScales, (each) => {
      const [once, twice] = [each, [...each, ...each]].map((all) => settingOut([session(acetanilide, all)]))
      twice!.needs.forEach((one, index) => expect(one.sum).toBeCloseTo(2 * once!.needs[index]!.sum, 9))
      const byHand = each.reduce(
        (total, scale) =>
          total +
          chargedLines(reactionTable(scalePlan(acetanilide, scale))).reduce(
            (sum, line) => sum + (dispensed(line)?.figure.value ?? 0),
            0,
          ),
        0,
      )
      expect(once!.needs.reduce((sum, one) => sum + one.sum, 0)).toBeCloseTo(byHand, 6)
      for (const one of once!.needs) {
        expect(one.issue).toBeGreaterThanOrEqual(one.sum)
        expect(one.shares.reduce((sum, share) => sum + share.exact, 0)).toBeCloseTo(one.sum, 9)
      }
    }),
    { numRuns: 20 },
  )
})

describe('what is laid out besides', () => {
  const things = thingsFor(session(), undefined, { balance: 2 })
  const thing = (name: string) => things.find((each) => each.name === name)

  test('vessels of the steps, what operations take, once a bench', () => {
    expect(thing('round-bottom flask, 25 mL')).toMatchObject({ kind: 'each bench', each: 1, all: 8, from: 'plan' })
    expect(thing('reflux condenser')).toMatchObject({ each: 1, all: 8, from: 'usual' })
    expect(thing('suction funnel and flask')).toMatchObject({ each: 1, all: 8 })
    expect(thing('10 mL measuring cylinder')).toMatchObject({ each: 1, all: 8 })
  })

  test('what is used up is added over the steps: two coolings, two chips, three capillaries', () => {
    expect(thing('boiling chips')).toMatchObject({ kind: 'used up', each: 2, all: 16 })
    expect(thing('capillaries')).toMatchObject({ each: 3, all: 24 })
    expect(thing('ice')!.unit).toBe('g')
    // Two baths of at least 150 g.
    expect(thing('ice')!.each).toBeGreaterThanOrEqual(300)
  })

  test('what is shared: two balances; how many signatures there are nobody has said', () => {
    expect(thing('balance')).toMatchObject({ kind: 'shared', all: 2 })
    expect(thing('signature')).toMatchObject({ kind: 'shared', all: null })
  })
})
