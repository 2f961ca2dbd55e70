/** Heating, adding and quenching on the demo preparations, with figures worked by hand. */
import { holdingsIn, massOf } from '../matter/state'
import { vesselIn } from '@/test-support/inVessel'
import { defaultLab } from '../lab/lab'
import type { Lab } from '../lab/lab'
import { changeStep } from '../plan/editPlan'
import { at, lowPressure, nothingMeasured } from '@/test-support/planned'
import { acetanilide, benzil, benzoin, methylNitrobenzoate, methylhexanol, separation } from '@/test-support/plans'

describe('heating and cooling', () => {
  test('aniline in acetic acid boils where the acid does or higher; by Hass and Newton at 700 mmHg: 391.15/(1 + 0.0357/5.705) − 273.15 = 115.6 °C', () => {
    const { fact, filled } = at(acetanilide, 'reflux', {}, lowPressure)
    expect(fact('boil')).toBeCloseTo(115.6, 1)
    expect(at(acetanilide, 'reflux').fact('boil')).toBeCloseTo(118, 6)
    expect([filled.lowC, Number(filled.highC) > 125]).toEqual([111, true])
  })
  test('time inside the band is counted from the run’s readings', () => {
    const measured = { ...nothingMeasured, temperatures: { reflux: [0, 10, 20].map((atMin) => ({ atMin, celsius: 118 })) } }
    expect(at(acetanilide, 'reflux', {}, defaultLab, measured).fact('inside')).toBe(20)
    const cold = { ...nothingMeasured, temperatures: { reflux: [0, 20].map((atMin) => ({ atMin, celsius: 80 })) } }
    expect(at(acetanilide, 'reflux', {}, defaultLab, cold).advice('outside')!.words).toContain('0 of 20 min')
  })
  test('gas goes where the laboratory’s school sends it', () => {
    expect(at(acetanilide, 'reflux', { gas: 'acid' }).advice('gas')!.words).toContain('trap')
    expect(at(acetanilide, 'reflux', { gas: 'acid' }, { ...defaultLab, gas: 'hood' }).advice('gas')!.words).toContain('hood')
    expect(at(acetanilide, 'reflux', { moisture: 'yes' }).advice('tube')).toBeDefined()
    // Magnesium is kept from moist air; an anhydride under reflux for minutes need not be.
    expect(at(methylhexanol, 'reflux', {}).advice('tube')).toBeDefined()
    expect(at(acetanilide, 'reflux', {}).advice('tube')).toBeUndefined()
    expect(at(acetanilide, 'reflux', { lowC: 120, highC: 110 }).advice('band')).toBeDefined()
  })
  test('adding at the bench: near the ceiling the drops stop, above it the flask is cooled', () => {
    const shown = (celsius: number) =>
      at(methylNitrobenzoate, 'nitrate', { ceilingC: 15 }, defaultLab, {
        ...nothingMeasured,
        temperatures: {
          nitrate: [
            { atMin: 0, celsius: 6 },
            { atMin: 1, celsius },
          ],
        },
      })
    expect(shown(8).advice('near')).toBeUndefined()
    expect(shown(15).advice('near')!.level).toBe('doubt')
    expect(shown(18).advice('above')!.words).toContain('18 °C is above 15 °C: stop adding')
  })
  test('held in a warm-water bath: the band is that of the words, and time inside it is counted', () => {
    const { filled, advice, fact } = at(benzoin, 'warm')
    expect(filled).toMatchObject({ lowC: 60, highC: 65, bath: 'a warm-water bath' })
    expect(advice('boils-away')).toBeUndefined()
    expect(fact('least')).toBeCloseTo(0.8 * 60, 9)
    const temperatures = { warm: [0, 30, 60, 120].map((atMin) => ({ atMin, celsius: atMin < 60 ? 55 : 62 })) }
    const longer = changeStep(benzoin, 'warm', { holdMin: 120 })
    const cold = at(longer, 'warm', { closed: 'open or loosely stoppered' }, defaultLab, { ...nothingMeasured, temperatures })
    // From 55 to 62 °C in 30 min the line crosses 60 after 21.4 min: 8.6 min, and an hour.
    expect(cold.fact('inside')).toBeCloseTo(68.6, 1)
    expect(cold.advice('outside')!.words).toContain('69 of 120 min')
  })
  test('above its boil the ethanol goes, unless a condenser keeps it; a water bath ends at 100 °C', () => {
    expect(at(benzoin, 'warm', { highC: 85 }).advice('boils-away')!.words).toMatch(/ethanol first \(from 8\d °C\)/)
    expect(at(benzoin, 'warm', { highC: 85, closed: 'under a condenser' }).advice('boils-away')).toBeUndefined()
    // Nitric acid is in its flask as a solution, whose boiling point is not that of the pure acid.
    expect(at(benzil, 'heat').advice('boils-away')).toBeUndefined()
    expect(at(benzoin, 'warm', { lowC: 100, highC: 120 }).advice('too-cold')!.words).toContain('90 °C')
    expect(at(benzoin, 'warm', { lowC: 70 }).advice('band')).toBeDefined()
  })
  test('an acid gas is led away as the laboratory’s school says, and only where there is one', () => {
    expect(at(acetanilide, 'reflux').advice('gas')).toBeUndefined()
    const gas = (school: Lab['gas']) => at(acetanilide, 'reflux', { gas: 'acid' }, { ...defaultLab, gas: school }).advice('gas')!
    expect(gas('trap').words).toContain('through a trap')
    expect(gas('hood').words).toContain('Under the hood')
  })
  test('eight times the volume cools twice as long', () => {
    const tried = { minutes: 10, triedML: 93.3 / 8 }
    expect(at(acetanilide, 'cool', tried).fact('minutes')).toBeCloseTo(20, 2)
    expect(at(acetanilide, 'cool', { bath: 'cold water', toC: 5 }).advice('too-warm')!.words).toContain('colder one')
  })
})

describe('adding and quenching', () => {
  test('nitration: the acids take up little, so it becomes hot; the span of heat and capacity is said', () => {
    const { fact, advice, filled, report } = at(methylNitrobenzoate, 'nitrate')
    expect(fact('rate')).toBeCloseTo(8 / 15, 6)
    // 3.0 g of ester, 11 g of 96 % sulfuric acid and 4.2 g of nitric acid: about 1.8 J/(g K), not water's 4.18.
    expect(filled.cp).toBeGreaterThan(1.5)
    expect(filled.cp).toBeLessThan(2.2)
    expect(filled.heat).toBe(135)
    const grams = massOf(holdingsIn(vesselIn(methylNitrobenzoate, 'nitrate')))!
    // n·(−ΔH)/(m·c)
    expect(fact('rise')).toBeCloseTo((Number(filled.mmol) * 135) / (grams * Number(filled.cp)), 6)
    expect(fact('rise')).toBeGreaterThan(70)
    expect(report.facts.find(({ id }) => id === 'rise')!.how).toMatch(/between \d+ and \d+ K$/)
    expect(advice('hot')!.level).toBe('danger')
    expect(at(methylNitrobenzoate, 'nitrate', { startC: 20 }).advice('start')).toBeDefined()
  })
  test('what the author writes stands above the record, without a span; where nothing is known nothing is said', () => {
    const typed = at(methylNitrobenzoate, 'nitrate', { heat: 150, cp: 1.5, mmol: 44.3 })
    const grams = massOf(holdingsIn(vesselIn(methylNitrobenzoate, 'nitrate')))!
    expect(typed.fact('rise')).toBeCloseTo((44.3 * 150) / (grams * 1.5), 6)
    expect(typed.report.facts.find(({ id }) => id === 'rise')!.how).not.toMatch(/between/)
    const silent = at(methylNitrobenzoate, 'nitrate', { heat: 0 })
    expect(silent.fact('rise')).toBeUndefined()
    expect(silent.advice('hot')).toBeUndefined()
    expect(silent.advice('heat-unknown')!.words).toMatch(/heat of this reaction is not given/)
  })
  test('what must set itself off has its ladder', () => {
    expect(at(methylNitrobenzoate, 'nitrate', { initiates: 'yes' }).report.ladder!.rungs.length).toBeGreaterThan(4)
    expect(at(methylNitrobenzoate, 'nitrate').report.ladder).toBeUndefined()
  })
  // 45 mmol less the 1.27 that the 0.4 mL of acid took that had stayed in the ether, and the 0.6 that stay there themselves: 43.1 mmol.
  test('separation: the base in flask B wants 7.18 mL of 6 mol/L acid, to pH 4.36 − 2', () => {
    const { fact, advice } = at(separation, 'free-acid')
    expect(fact('needed')).toBeCloseTo(43.1 / 6, 2)
    expect(fact('pH')).toBeCloseTo(2.36, 2)
    expect(fact('turned')).toBeCloseTo(99.0, 1)
    expect(advice('enough')).toBeDefined()
    expect(at(separation, 'free-acid', { plannedML: 5 }).advice('short')!.words).toContain('13 mmol are left')
  })
  test('90 mmol of acid, less 1.27 that stay in the ether, want 14.8 mL of 6 mol/L base, to pH 2.50 + 2', () => {
    const { fact } = at(separation, 'free-amine')
    expect(fact('needed')).toBeCloseTo(88.8 / 6, 2)
    expect(fact('pH')).toBeCloseTo(4.5, 2)
  })
  test('acid does not neutralise acid, and bicarbonate makes gas', () => {
    expect(at(separation, 'free-acid', { kind: 'acid' }).advice('same')!.level).toBe('danger')
    const gas = at(separation, 'free-acid', { kind: 'acid', mmol: 20, with: 'saturated sodium bicarbonate', plannedML: 20 })
    expect(gas.fact('gas')).toBeCloseTo(0.481, 2)
    expect(gas.advice('gas')).toBeDefined()
  })
})
