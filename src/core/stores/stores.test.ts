import fc from 'fast-check'
import { acetanilide, benzil, isopentylAcetate, tartaricAcid } from '@/test-support/plans'
import { exact } from '../quantity/figure'
import type { Charge } from '../reaction/reactionTable'
import { stuffOf, type Bottle } from './bottle'
import { dayBefore, orderList } from './orderList'
import { groupsMadeFrom } from './groupsMadeFrom'
import { usedUp } from './usedUp'
import { batches, batchOf, type Batch, type Stock } from './batch'
import { labelSheets, paperMM, placesOn } from './labelSheet'
import { settingOut } from './settingOut'
import { againstBottle, beforeSetOut, pickFor, usedOf, type Move } from './stock'
import type { Plan } from '../plan/plan'
import { containersFor, wasteForecast, wasteOf, type WasteOf } from './wasteForecast'
import { defaultLab } from '../lab/lab'

const bottle = (part: Partial<Bottle>): Bottle => ({
  id: 'b',
  substance: 'aniline',
  formula: 'C6H7N',
  form: { kind: 'neat', purity: 0.99 },
  left: { value: 100, unit: 'mL', decimals: 0 },
  place: 'cupboard 2',
  changedAt: '2026-11-24T08:00:00Z',
  changedBy: 'someone',
  ...part,
})

describe('bottles for a need', () => {
  const aniline = settingOut([
    { id: 's', plan: acetanilide, groups: Array.from({ length: 8 }, (_each, index) => ({ bench: index + 1, scale: 1 })) },
  ]).needs.find((need) => need.substance.name === 'aniline')!
  const day = '2026-12-01'

  test('the one that was opened first, then the next; what is missing is said', () => {
    // 8 × 4 × 1.1 = 35.2, set out as 36 mL.
    const bottles = [
      bottle({ id: 'new', left: { value: 25, unit: 'mL', decimals: 0 } }),
      bottle({ id: 'old', openedOn: '2026-01-05', left: { value: 30, unit: 'mL', decimals: 0 } }),
    ]
    const picked = pickFor(aniline, bottles, day)
    expect(picked.from.map(({ bottle: { id }, take }) => [id, take])).toEqual([
      ['old', 30],
      ['new', 6],
    ])
    expect(picked.short).toBe(0)
    expect(pickFor(aniline, bottles.slice(1), day).short).toBeCloseTo(6, 9)
    expect(pickFor(aniline, bottles.slice(0, 1), day).short).toBeCloseTo(11, 9)
  })

  test('a bottle in grams counts by its density, and not at all without one', () => {
    const inGrams = bottle({ left: { value: 51.1, unit: 'g', decimals: 1 } })
    // 51.1 g ÷ 1.022 g/mL = 50 mL.
    expect(pickFor(aniline, [inGrams], day).short).toBe(0)
    const { density: _none, ...without } = aniline.substance
    expect(pickFor({ ...aniline, substance: without }, [inGrams], day)).toMatchObject({ unknown: true, short: 36 })
  })

  test('none that has expired or is past its peroxide test, to the day', () => {
    expect(againstBottle(bottle({ expiresOn: '2026-12-01' }), day, false)).toEqual([])
    expect(againstBottle(bottle({ expiresOn: '2026-11-30' }), day, false)).toEqual(['it expired on 2026-11-30'])
    expect(againstBottle(bottle({ peroxideTestBy: '2026-11-30' }), day, true)).toEqual([
      'its peroxide test was due on 2026-11-30',
    ])
    expect(againstBottle(bottle({ peroxideTestBy: '2026-12-01' }), day, true)).toEqual([])
    expect(againstBottle(bottle({}), day, true)).toEqual(['nobody has said when its peroxide test is due'])
    const picked = pickFor(aniline, [bottle({ expiresOn: '2026-11-30' })], day)
    expect(picked).toMatchObject({ from: [], short: 36, not: [{ why: ['it expired on 2026-11-30'] }] })
  })
})

describe('what went out of a bottle', () => {
  const move = (kind: Move['kind'], by: number, at = '2026-11-26'): Move => ({ bottle: 'b', kind, by, at })
  const moves = [
    move('set out', -40),
    move('came back', 12.5),
    move('counted', -3),
    move('charged', -4),
    move('filled', 100, '2027-01-02'),
  ]

  test('is used where it did not come back; counting and filling use nothing', () => {
    expect(usedOf(moves, '2026-01-01', '2027-01-01')).toBeCloseTo(31.5, 9)
    expect(usedOf(moves, '2027-01-01', '2028-01-01')).toBe(0)
  })
})

describe('a solution made up', () => {
  const hydroxide = { name: 'sodium hydroxide', id: 'h', formula: 'NaOH' }
  const acid = { name: 'hydrochloric acid', id: 'a', formula: 'HCl' }
  const fromSolid: Stock = { from: { kind: 'solid', purity: 0.98 }, keepsDays: 30 }
  const fromStrong: Stock = { from: { kind: 'mass-fraction', fraction: 0.37, gPerML: 1.18, source: 'x' } }
  const made = (result: Batch | { why: string }) => {
    if ('why' in result) throw new Error(result.why)
    return result
  }

  test('pellets: 2 mol/L × 0.5 L × 40.00 g/mol ÷ 0.98 = 40.8 g, in a beaker that holds a third more', () => {
    const batch = made(batchOf({ substance: hydroxide, form: { kind: 'solution', molPerL: 2 } }, 500, fromSolid))
    expect(batch.take.value).toBeCloseTo(40.81, 1)
    expect(batch).toMatchObject({ take: { unit: 'g' }, toML: 500, vessel: 'beaker, 1000 mL', order: 'base into water' })
  })

  test('acid into water: 1 mol/L × 250 mL ÷ 11.98 mol/L = 20.9 mL', () => {
    const batch = made(batchOf({ substance: acid, form: { kind: 'solution', molPerL: 1 } }, 250, fromStrong))
    expect(batch.take.value).toBeCloseTo(20.88, 1)
    expect(batch).toMatchObject({ take: { unit: 'mL' }, order: 'acid into water' })
  })

  test('one that is standardised in a flask to the mark, the next that holds it', () => {
    const batch = made(
      batchOf({ substance: acid, form: { kind: 'solution', molPerL: 0.1 } }, 300, { ...fromStrong, standardised: true }),
    )
    expect(batch).toMatchObject({ toML: 500, vessel: 'volumetric flask, 500 mL' })
  })

  test('a saturated one with a tenth more', () => {
    const plain = made(batchOf({ substance: hydroxide, form: { kind: 'solution', molPerL: 2 } }, 500, fromSolid))
    const more = made(
      batchOf({ substance: hydroxide, form: { kind: 'solution', molPerL: 2 } }, 500, { ...fromSolid, saturated: true }),
    )
    expect(more.take.value / plain.take.value).toBeCloseTo(1.1, 9)
  })

  test('why it cannot be said', () => {
    const solution = { substance: acid, form: { kind: 'solution', molPerL: 20 } as const }
    expect(batchOf(solution, 100, undefined)).toEqual({ why: 'nobody has said what it is made from' })
    expect(batchOf(solution, 100, fromStrong)).toEqual({ why: '11.98 mol/L is not stronger than 20 mol/L.' })
    expect(batchOf({ substance: acid, form: { kind: 'solution' } }, 100, fromStrong)).toMatchObject({
      why: expect.stringContaining('not said') as string,
    })
    expect(batchOf({ substance: acid, form: fromStrong.from }, 100, fromStrong)).toEqual({ why: 'it is bought as it is' })
  })

  test('one batch for as long as it keeps, from the first session on', () => {
    const wanted = [1, 8, 15, 16].map((day) => ({
      session: `s${day}`,
      at: `2026-12-${String(day).padStart(2, '0')}T13:30:00Z`,
      mL: 100,
    }))
    const days = (keeps: number | undefined) => batches(wanted, keeps).map((batch) => batch.map(({ session }) => session))
    expect(days(14)).toEqual([['s1', 's8', 's15'], ['s16']])
    expect(days(13)).toEqual([
      ['s1', 's8'],
      ['s15', 's16'],
    ])
    expect(days(undefined)).toEqual([['s1'], ['s8'], ['s15'], ['s16']])
  })
})

describe('labels on their sheet', () => {
  test.each(labelSheets.map((each) => [each.name, each] as const))(
    '%s: all of them stand on the paper, none on another',
    (_name, one) => {
      const many = one.across * one.down
      const places = placesOn(one, many)
      const { width, height } = paperMM[one.paper]
      for (const { page, xMM, yMM } of places) {
        expect(page).toBe(0)
        expect(xMM + one.widthMM).toBeLessThanOrEqual(width + 0.01)
        expect(yMM + one.heightMM).toBeLessThanOrEqual(height + 0.01)
      }
      expect(new Set(places.map(({ xMM, yMM }) => `${xMM} ${yMM}`)).size).toBe(many)
      expect(one.stepXMM).toBeGreaterThanOrEqual(one.widthMM)
      expect(one.stepYMM).toBeGreaterThanOrEqual(one.heightMM)
    },
  )

  test('a begun sheet goes on where it was left, and over the page', () => {
    const one = labelSheets.find(({ id }) => id === 'a4-24')!
    expect(placesOn(one, 3, 23)).toEqual([
      { page: 0, xMM: 70, yMM: expect.closeTo(7 * 37.1, 9) as number },
      { page: 0, xMM: 140, yMM: expect.closeTo(7 * 37.1, 9) as number },
      { page: 1, xMM: 0, yMM: 0 },
    ])
    expect(() => placesOn(one, 1, 25)).toThrow('1 to 24')
    expect(() => placesOn(one, 1, 0)).toThrow('1 to 24')
  })
})

describe('waste', () => {
  const two = [{ scale: 1 }, { scale: 2 }]
  const forecast = (plan: Plan, ...groups: WasteOf[]) => wasteForecast(groups.map((each) => wasteOf(plan, each, defaultLab)))

  test('what comes into each container, from what was charged', () => {
    const { containers: found } = forecast(isopentylAcetate, ...two)
    expect(found.map(({ stream }) => stream)).toEqual(['aqueous acid or base', 'other organic', 'solid'])
    // The washings: 40 mL of water and 40 of bicarbonate and 5 of brine, three times over.
    expect(found[0]!.liquidML).toBeGreaterThanOrEqual(3 * 40)
    const { containers: once } = forecast(isopentylAcetate, { scale: 1 })
    expect(found[0]!.liquidML).toBeCloseTo(3 * once[0]!.liquidML, 6)
  })

  test('acid that is left, and the bicarbonate that meets it: 84.007 mg to the mmol', () => {
    const {
      containers: [aqueous],
    } = forecast(tartaricAcid, { scale: 1 })
    expect(aqueous!.stream).toBe('aqueous acid or base')
    // What was acid has become the calcium salt; the hydroxide that stays in its filtrate is all there is.
    expect(aqueous!.neutralise).toMatchObject({ left: 'base', bicarbonateG: null })
    const [acid] = forecast(acetanilide, { scale: 1 }).containers
    expect(acid!.neutralise!.left).toBe('acid')
    expect(acid!.neutralise!.bicarbonateG! / acid!.neutralise!.mmol).toBeCloseTo(0.084007, 9)
  })

  test('liquids that no step names go into the one container for liquids; what stays nowhere is named', () => {
    const { containers, unplaced } = forecast(acetanilide, { scale: 1 })
    // 80 mL to quench and 98 to dissolve, 5 of acetic acid and as much again from the anhydride and what it acetylated, and the rinsings.
    expect(containers[0]!.stream).toBe('aqueous acid or base')
    expect(containers[0]!.liquidML).toBeGreaterThan(183)
    expect(containers[0]!.liquidML).toBeLessThan(205)
    // The zinc that the hot filtration keeps goes with the water that clings to it, as the step says.
    expect(containers[0]!.holds).toContain('zinc dust')
    expect(unplaced).toEqual([])
  })

  test('what is destroyed first, with how much of it there is: 0.1 g of zinc are 1.53 mmol', () => {
    const into = 'quenched first, by itself' as const
    const plan = {
      ...acetanilide,
      substances: acetanilide.substances.map((each) => (each.name === 'zinc dust' ? { ...each, waste: into } : each)),
      steps: acetanilide.steps.map((each) => (each.id === 'dispose' ? { ...each, waste: [{ into }] } : each)),
    }
    const [container] = forecast(plan, { scale: 1 }, { scale: 2 }).containers
    // Three times as much for the two groups, with what clings to it; no liquid comes in by chance.
    expect(container!.stream).toBe(into)
    expect(container!.holds).toContain('zinc dust')
    expect(container!.liquidML).toBeLessThan(0.2)
    expect(forecast(acetanilide, { scale: 1 }).containers.every(({ quenchMmol }) => quenchMmol === null)).toBe(true)
    // What the acid has not eaten of it by then.
    expect(container!.quenchMmol).toBeGreaterThan((0.3 * 3 * 100) / 65.38)
    expect(container!.quenchMmol).toBeLessThanOrEqual((3 * 100) / 65.38)
  })

  test('only what is acid or base is neutralised', () => {
    const { containers } = forecast(benzil, { scale: 1 })
    expect(containers.find(({ stream }) => stream === 'oxidiser')!.neutralise).toBeNull()
  })

  test('only from groups that have done the step', () => {
    const { containers: none } = forecast(acetanilide, { scale: 1, done: new Set() })
    expect(none.every(({ liquidML, solidG }) => liquidML === 0 && solidG === 0)).toBe(true)
    const all = forecast(acetanilide, { scale: 1, done: new Set(['dispose']) })
    expect(all).toEqual(forecast(acetanilide, { scale: 1 }))
  })

  test('what nobody can say how much of comes in is never none: so much at the least', () => {
    const lines = acetanilide.lines.map((each) => (each.id === 'quench-water' ? { ...each, anchor: null } : each))
    const [open] = forecast({ ...acetanilide, lines }, { scale: 1 }).containers
    expect(open!.least).toBe(true)
    expect(forecast(acetanilide, { scale: 1 }).containers.some(({ least }) => least)).toBe(false)
  })

  test('containers are filled to nine tenths', () => {
    expect([0, 4.5, 4.51, 9, 9.1].map((litres) => containersFor(litres, 5))).toEqual([1, 1, 2, 2, 3])
  })
})

describe('the shelf, what is set out and what is ordered', () => {
  const day = '2026-12-01'
  const aniline = {
    substance: acetanilide.substances.find(({ formula }) => formula === 'C6H7N')!,
    form: { kind: 'neat', purity: 0.99 } as const,
  }
  const shelf = [
    bottle({ id: 'a', left: { value: 5, unit: 'mL', decimals: 0 } }),
    bottle({ id: 'b', left: { value: 4, unit: 'g', decimals: 0 } }),
  ]

  test('9 of 15 mL: 9 are set out and 6 are missing, before the tick and after it', () => {
    const one = [bottle({ id: 'a', left: { value: 9, unit: 'mL', decimals: 0 } })]
    const need = { ...aniline, form: one[0]!.form, unit: 'mL' as const, issue: 15 }
    expect(pickFor(need, one, day)).toMatchObject({ from: [{ take: 9 }], short: 6 })
    const after = [{ ...one[0]!, left: { ...one[0]!.left, value: 0 } }]
    expect(pickFor(need, after, day).short).toBe(15)
    expect(pickFor(need, beforeSetOut(after, [{ from: [{ bottle: 'a', take: 9 }] }]), day)).toMatchObject({
      from: [{ take: 9 }],
      short: 6,
    })
  })

  test('a bottle in the other unit gives its own: 4 g of aniline are 3.914 mL, and 4 g leave the bottle', () => {
    const need = { ...aniline, form: shelf[0]!.form, unit: 'mL' as const, issue: 20 }
    const { from, short } = pickFor(need, shelf, day)
    const weighed = from.find(({ bottle: { id } }) => id === 'b')!
    expect(weighed.take).toBeCloseTo(4 / 1.022, 9)
    expect(weighed.take * weighed.perUnit).toBeCloseTo(4, 9)
    expect(short).toBeCloseTo(20 - 5 - 4 / 1.022, 9)
  })

  test('whatever is ticked, in whichever order, taken from, missing and ordered stay what they were', () => {
    const benches = fc.integer({ min: 1, max: 30 })
    fc.assert(
      fc.property(
        benches,
        benches,
        fc.double({ min: 0, max: 300, noNaN: true }),
        fc.array(fc.boolean(), { minLength: 2, maxLength: 6 }),
        (first, second, left, ticks) => {
          const began = [bottle({ id: 'a', left: { value: left, unit: 'mL', decimals: 1 } })]
          const sessions = [first, second].map((many, index) => ({
            id: `s${index}`,
            day: `2026-12-0${index + 1}`,
            plan: acetanilide,
            groups: Array.from({ length: many }, (_each, at) => ({ bench: at + 1, scale: 1 })),
            spare: index === 0 ? 0 : 0.2,
          }))
          const before = orderList(sessions, began, 0.1, () => undefined)
          const out: { from: { bottle: string; take: number }[] }[] = [{ from: [] }, { from: [] }]
          ticks.forEach((done, index) => {
            const at = index % 2
            const now = () =>
              began.map((each) => ({
                ...each,
                left: { ...each.left, value: left - out.flatMap(({ from }) => from).reduce((sum, { take }) => sum + take, 0) },
              }))
            out[at] = { from: [] }
            if (done) {
              const need = settingOut([sessions[at]!], 0.1).needs.find(({ name }) => name === 'aniline')!
              out[at] = {
                from: pickFor(need, now(), day).from.map(({ bottle: { id }, take, perUnit }) => ({
                  bottle: id,
                  take: take * perUnit,
                })),
              }
            }
            const after = orderList(sessions, beforeSetOut(now(), out), 0.1, () => undefined)
            const missing = (found: ReturnType<typeof orderList>) =>
              found.find(({ substance }) => substance.name === 'aniline')?.missing ?? 0
            expect(missing(after)).toBeCloseTo(missing(before), 6)
            expect(now()[0]!.left.value).toBeGreaterThanOrEqual(-1e-9)
          })
        },
      ),
      { numRuns: 60, seed: 33 },
    )
  })
})

test('a bottle serves what is made from it: 40 mL of 0.6 mol/L bicarbonate are 2.016 g a group', () => {
  const stock: Stock = { from: { kind: 'solid', purity: 1 } }
  const stocks = (substance: { formula?: string | undefined }) => (substance.formula === 'NaHCO3' ? stock : undefined)
  const salt = bottle({
    substance: 'sodium bicarbonate',
    formula: 'NaHCO3',
    form: { kind: 'solid', purity: 1 },
    left: { value: 20.17, unit: 'g', decimals: 2 },
  })
  expect(groupsMadeFrom(salt, isopentylAcetate, stocks)).toBe(10)
  expect(groupsMadeFrom({ ...salt, left: { ...salt.left, value: 20.1 } }, isopentylAcetate, stocks)).toBe(9)
  expect(groupsMadeFrom(salt, isopentylAcetate, () => undefined)).toBeNull()
  expect(groupsMadeFrom(bottle({}), isopentylAcetate, stocks)).toBeNull()
})

describe('what must be ordered', () => {
  const ahead = (id: string, day: string, benches = 8) => ({
    id,
    day,
    plan: acetanilide,
    groups: Array.from({ length: benches }, (_each, index) => ({ bench: index + 1, scale: 1 })),
  })
  const nothing = () => undefined
  const of = (found: ReturnType<typeof orderList>, name: string) => found.find(({ substance }) => substance.name === name)

  test('what two sessions need together, for the first that has not enough, there the day before', () => {
    // 36 mL each, 71 mL together (2 × 32 × 1.1 = 70.4): 50 mL are enough for the first only.
    const shelf = [bottle({ left: { value: 50, unit: 'mL', decimals: 0 } })]
    const found = orderList([ahead('later', '2026-12-08'), ahead('first', '2026-12-01')], shelf, 0.1, nothing)
    expect(of(found, 'aniline')).toMatchObject({ issue: 71, session: 'later', by: '2026-12-07', unit: 'mL' })
    expect(of(found, 'aniline')!.missing).toBeCloseTo(21, 9)
    // Nothing of it is there: the first session wants it.
    expect(of(found, 'zinc dust')).toMatchObject({ session: 'first', by: '2026-11-30' })
    expect(of(orderList([ahead('first', '2026-12-01')], shelf, 0.1, nothing), 'aniline')).toBeUndefined()
  })

  test('water comes from the tap, and what a bench brings is not ordered', () => {
    const lines = acetanilide.lines.map((line) => (line.id === 'zinc' ? { ...line, madeIn: 'Another preparation' } : line))
    const found = orderList([{ ...ahead('s', '2026-12-01'), plan: { ...acetanilide, lines } }], [], 0.1, nothing)
    expect(of(found, 'water')).toBeUndefined()
    expect(of(found, 'zinc dust')).toBeUndefined()
    expect(of(found, 'aniline')).toBeDefined()
  })

  test('of a solution that is made up, what it is made from: 40 mL × 1.1 of 0.6 mol/L bicarbonate are 2.2 g', () => {
    const stock: Stock = { from: { kind: 'solid', purity: 1 } }
    const one = [{ ...ahead('s', '2026-12-01', 1), plan: isopentylAcetate }]
    const found = orderList(one, [], 0.1, (substance) => (substance.formula === 'NaHCO3' ? stock : undefined))
    // 44 mL × 0.6 mol/L × 84.01 g/mol.
    expect(of(found, 'sodium bicarbonate')).toMatchObject({ unit: 'g', form: { kind: 'solid' } })
    expect(of(found, 'sodium bicarbonate')!.issue).toBeCloseTo(2.218, 2)
    // The day before the first of a month, of a year.
    expect([dayBefore('2026-12-01'), dayBefore('2027-01-01')]).toEqual(['2026-11-30', '2026-12-31'])
  })
})

describe('what was used up', () => {
  const charge = (measure: 'mass' | 'volume', value: number): Charge => ({ measure, figure: exact(value) })
  const item = (unit: string) => `${stuffOf({ name: 'aniline', formula: 'C6H7N' }, { kind: 'neat', purity: 1 })} ${unit}`
  const runs: { scale: number; charged: Record<string, Charge> }[] = [
    { scale: 1, charged: { aniline: charge('mass', 4.088) } },
    { scale: 1, charged: { aniline: charge('volume', 3.5), product: charge('mass', 9) } },
  ]

  test('in the unit in which it was issued, by the density; what no line is counts nowhere', () => {
    // 4.088 g ÷ 1.022 g/mL + 3.5 mL = 7.5 mL; the other way 4.088 + 3.5 × 1.022 = 7.665 g.
    const stuff = item('').trim()
    const inML = usedUp(acetanilide, runs, { [stuff]: 'mL' })
    expect(inML).toHaveLength(1)
    expect(inML[0]).toMatchObject({ item: item('mL'), benches: 2, unreadable: 0 })
    expect(inML[0]!.amount).toBeCloseTo(7.5, 9)
    expect(usedUp(acetanilide, runs, { [stuff]: 'g' })[0]!.amount).toBeCloseTo(7.665, 9)
  })

  test('without a density a figure in the other unit is counted as not readable', () => {
    const substances = acetanilide.substances.map(({ density: _none, ...substance }) => substance)
    const stuff = item('').trim()
    expect(usedUp({ ...acetanilide, substances }, runs, { [stuff]: 'mL' })[0]).toMatchObject({
      amount: 3.5,
      benches: 1,
      unreadable: 1,
    })
  })
})
