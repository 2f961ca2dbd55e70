/** The layers of the demo preparations, with figures worked by hand. */
import { scalePlan } from '../../edit/scalePlan'
import { defaultLab } from '../../lab/lab'
import type { Line, Plan } from '../../plan/plan'
import { asWords } from '../../words/words'
import { blanksOf, contextOf } from '../planners'
import type { ShakingBlanks } from './blanks'
import { layersBelieved } from './layersAdvice'
import { recoveryByPortions, whereItIs } from './whereItIs'
import { at } from '@/test-support/planned'
import { acetanilide, separation } from '@/test-support/plans'

describe('layers', () => {
  test('the separation ends with amine in A, acid in B, hydrocarbon in the ether', () => {
    const where = whereItIs(at(separation, 'extract-base').context)!
    const share = (layer: string, solute: string) =>
      where.layers.find(({ name }) => name === layer)!.share[where.solutes.indexOf(solute)]!
    // K = 10^1.86 = 72.4. The first portion loses 6 of its 30 mmol of acid to the amine: pH −0.38, D = 72.4/(1 + 10^2.88) = 0.0953; the others −0.48, 0.0757.
    // With the 0.4 mL of water that stays in the ether the portions leave (0.0953·40 + 0.4)/(0.0953·40 + 10.4), 0.296, 0.256 and 0.256: 1.9 %.
    expect(share('A', 'ethyl 4-aminobenzoate')).toBeCloseTo(0.98, 3)
    expect(share('B', '4-methylbenzoic acid')).toBeGreaterThan(0.99)
    expect(share('tert-butyl methyl ether', 'fluorene')).toBeGreaterThan(0.99)
    for (const [index] of where.solutes.entries())
      expect(where.layers.reduce((sum, layer) => sum + layer.share[index]!, 0)).toBeCloseTo(1, 9)
  })
  test('ether lies on top; at the wrong pH little goes, and says so', () => {
    const { advice } = at(separation, 'extract-acid')
    expect(advice('on-top')!.words).toBe('The tert-butyl methyl ether layer lies on top.')
    // Its K is octanol's, which is never called good in another solvent.
    expect(advice('where')!.level).toBe('open')
    const K = (value: number) => ({ solutes: [{ name: 'ethyl 4-aminobenzoate', K: value }] })
    expect(at(separation, 'extract-acid', K(72.4)).advice('where')!.level).toBe('good')
    expect(at(separation, 'extract-acid', K(300)).advice('where')!.level).toBe('doubt')
    expect(
      at(separation, 'extract-acid', {}, { ...defaultLab, layersOut: 'both through the tap' }).advice('out')!.words,
    ).toContain('Both layers')
  })
  test('what stands in each layer is said beforehand, the upper first, and is unknown where they weigh nearly the same', () => {
    const said = (plan: Plan) => {
      const { context, filled } = at(plan, 'extract-acid')
      return layersBelieved(context, filled)
    }
    // As they part: the amine, 1 g, has gone into the 10 mL of acid, (10.5 + 1)/(10 + 0.8) = 1.07.
    const acid = { what: 'hydrochloric acid, 1.08 g/mL', why: 'density' }
    // 40 mL of 0.74 g/mL with the other 2 g: (29.6 + 2)/(40 + 0.8·2) = 0.76.
    expect(said(separation)).toEqual([{ what: 'tert-butyl methyl ether, 0.76 g/mL', why: 'density' }, acid])
    const heavy = (gPerML: number): Plan => ({
      ...separation,
      substances: separation.substances.map((each) =>
        each.name === 'tert-butyl methyl ether' ? { ...each, density: { ...each.density!, gPerML } } : each,
      ),
    })
    expect(said(heavy(1.33))).toEqual([acid, { what: 'tert-butyl methyl ether, 1.33 g/mL', why: 'density' }])
    // (1.03·40 + 2)/41.6 = 1.04, and 0.04 g/mL are no difference.
    const either = { what: 'tert-butyl methyl ether, 1.04 g/mL or hydrochloric acid, 1.08 g/mL', why: 'nobody knows' }
    expect(said(heavy(1.03))).toEqual([either, either])
    expect(layersBelieved(at(acetanilide, 'cool').context, {} as ShakingBlanks)).toBeNull()
  })
  test('a solvent that boils low presses the stopper out: it is vented more often', () => {
    const boils = (lowC: number) =>
      at(
        {
          ...separation,
          substances: separation.substances.map((each) =>
            each.name === 'tert-butyl methyl ether' ? { ...each, boiling: { lowC, highC: lowC, source: '' } } : each,
          ),
        },
        'extract-base',
      )
    expect(at(separation, 'extract-base').advice('vent')!.words).toContain('after every second shake at first')
    expect(boils(59).advice('vent')!.words).toContain('after every second shake')
    expect(boils(60).advice('vent')!.words).toContain('then now and then')
    // So does one that stands second in the layer.
    const high = {
      id: 'toluene',
      name: 'toluene',
      density: { gPerML: 0.867, source: '' },
      boiling: { lowC: 111, highC: 111, source: '' },
    }
    const line: Line = {
      ...separation.lines.find(({ id }) => id === 'ether')!,
      id: 'toluene',
      substance: 'toluene',
      anchor: { of: 'volume', quantity: { value: 60, unit: 'mL', decimals: 0 } },
    }
    const second = at(
      {
        ...separation,
        substances: [...separation.substances, high],
        lines: [line, ...separation.lines],
        steps: separation.steps.map((step) =>
          step.id === 'dissolve' ? { ...step, text: asWords('Dissolve it in {toluene} and {ether}.') } : step,
        ),
      },
      'extract-base',
    )
    expect(second.advice('on-top')!.words).toContain('toluene layer')
    expect(second.advice('vent')!.words).toContain('after every second shake')
  })
  test('a K that is written counts from its step on', () => {
    const later = (K: number) => {
      const { context } = at(separation, 'extract-acid', { solutes: [{ name: '4-methylbenzoic acid', K }] })
      const base = contextOf(
        context.plan,
        context.table,
        context.plan.steps.find(({ id }) => id === 'extract-base')!,
      )
      const where = whereItIs(base)!
      expect(recoveryByPortions(base, blanksOf<ShakingBlanks>(base))).toHaveLength(8)
      return where.layers.find(({ name }) => name === 'A')!.share[where.solutes.indexOf('4-methylbenzoic acid')]!
    }
    // In acid it is uncharged: of K 1 much goes into the watery portions, of K 1000 next to nothing.
    expect(later(1)).toBeGreaterThan(0.2)
    expect(later(1000)).toBeLessThan(0.01)
  })
  test('a funnel too small is asked about', () =>
    expect(at(scalePlan(separation, 4), 'extract-acid').advice('funnel')!.level).toBe('doubt'))
})

describe('salting out', () => {
  test('saturated sodium chloride raises K by 10^(0.195·5.4) = 11.3; 3 × 20 mL of water take 22 g', () => {
    const typed = { salt: 'saturated', portions: 3, portionML: 20 }
    const [plain, salted] = [at(separation, 'extract-acid', { ...typed, salt: 'none' }), at(separation, 'extract-acid', typed)]
    expect(salted.fact('salting')).toBeCloseTo(11.3, 1)
    expect(salted.fact('salt')).toBeCloseTo(0.359 * 60, 6)
    // Of its 11.3 times: less of the amine takes protons from the water, which stays more acid, where D is smaller.
    expect(salted.fact('D')! / plain.fact('D')!).toBeCloseTo(10.8, 1)
    // What should stay in the ether stays there more: the watery portions take less.
    expect(salted.fact('taken')!).toBeLessThan(plain.fact('taken')!)
    expect(plain.fact('salt')).toBeUndefined()
  })
})
