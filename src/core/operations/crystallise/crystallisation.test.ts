import fc from 'fast-check'
import { compareSolvents } from './compareSolvents'
import { solubilityAt } from '../../matter/solubility'
import { solventPairs } from './solventPairs'
import {
  boilDownTo,
  coolingPlan,
  cropFrom,
  cropWithAntisolvent,
  hotVolume,
  impurityThatStays,
  mayOilOut,
  secondCrop,
  solubilityInMixture,
} from './crop'

// Acetanilide in water: 5.5 g in 100 mL at 100 °C, 0.46 at 20 °C.
describe('acetanilide from water, by hand', () => {
  test('4.9 g want 89 mL hot and 10 % more, with a hot filtration 40 %', () => {
    expect(hotVolume(4.9, 5.5, false)).toBeCloseTo(98, 9)
    expect(hotVolume(4.9, 5.5, true)).toBeCloseTo(124.7, 1)
  })
  test('98 mL keep 0.45 g cold: 4.45 g, 90.8 %', () => {
    const crop = cropFrom(4.9, 98, 0.46)
    expect(crop.lossG).toBeCloseTo(0.4508, 4)
    expect(crop.recovery).toBeCloseTo(0.908, 3)
  })
  test('420 mL instead of 98 mL keep 1.93 g, and boiling down to 100 mL brings 1.47 g back', () => {
    const { lossG } = cropFrom(4.71, 420, 0.46)
    expect(lossG).toBeCloseTo(1.932, 3)
    expect(secondCrop(lossG, 100, 0.46)).toBeCloseTo(1.472, 3)
  })
  test('95 % back asks for 53 mL', () => expect(boilDownTo(4.9, 0.95, 0.46)).toBeCloseTo(53.3, 1))
  test('half antisolvent that dissolves a hundredth: s falls to a tenth', () => {
    expect(solubilityInMixture(1, 0.01, 0.5)).toBeCloseTo(0.1, 9)
    expect(cropWithAntisolvent({ soluteG: 5, volumeML: 50, coldGPer100ML: 1, addML: 50, antiGPer100ML: 0.01 }).lossG).toBeCloseTo(
      0.1,
      9,
    )
  })
  test('impurity that stays: 0.5 g to 100 mL in 80 mL are 0.4 g', () => expect(impurityThatStays(80, 0.5)).toBeCloseTo(0.4, 9))
  test('oil: boiling water is too hot for what melts at 98 °C', () => {
    expect(mayOilOut(99, 98)).toBe(true)
    expect(mayOilOut(99, 114)).toBe(false)
  })
  test('an ordinary flask cools 15 min, eight times as much twice as long', () => {
    expect(coolingPlan(60)).toEqual({ roomMin: 15, iceMin: 8 })
    expect(coolingPlan(800)).toEqual({ roomMin: 30, iceMin: 16 })
  })
})

test('more solvent never gives more on cooling, and crop and loss make up what was put in', () => {
  const g = fc.double({ min: 0.01, max: 100, noNaN: true })
  fc.assert(
    fc.property(g, g, g, fc.double({ min: 0.001, max: 20, noNaN: true }), (solute, volume, more, cold) => {
      const less = cropFrom(solute, volume, cold)
      expect(cropFrom(solute, volume + more, cold).recovery).toBeLessThanOrEqual(less.recovery + 1e-12)
      expect(less.cropG + less.lossG).toBeCloseTo(solute, 9)
      expect(secondCrop(less.lossG, volume / 2, cold)).toBeLessThanOrEqual(less.lossG)
    }),
  )
})

describe('solvents compared', () => {
  const solute = {
    melting: { lowC: 113, highC: 115, source: '' },
    solubility: [
      {
        solvent: 'water',
        points: [
          { atC: 20, gPer100ML: 0.46 },
          { atC: 100, gPer100ML: 5.5 },
        ],
        source: '',
      },
      {
        solvent: 'ethanol',
        points: [
          { atC: 20, gPer100ML: 20 },
          { atC: 60, gPer100ML: 46 },
        ],
        source: '',
      },
      { solvent: 'ether', points: [{ atC: 20, gPer100ML: 2 }], source: '' },
    ],
  }
  const solvents = [
    { id: 'water', name: 'water', boiling: { lowC: 100, highC: 100, source: '' } },
    { id: 'ethanol', name: 'ethanol', boiling: { lowC: 78, highC: 78, source: '' } },
    { id: 'ether', name: 'ether', boiling: { lowC: 34.6, highC: 34.6, source: '' } },
  ]
  test('water first, ethanol with its reason, and what has one point only stands last, to be tried', () => {
    const found = compareSolvents(solute, solvents, 4.9, 20, 760)
    expect(found.map(({ solvent }) => solvent)).toEqual(['water', 'ethanol', 'ether'])
    expect(found[0]).toMatchObject({ against: [], hotC: expect.closeTo(99, 6) as number })
    expect(found[0]!.tried!.volumeML).toBeCloseTo(100, 0)
    expect(found[2]).toMatchObject({ tried: null, against: ['boils away while it is swirled'] })
    expect(found[1]!.against).toEqual(['hot dissolves only 2.3 times what cold does'])
    // From ten degrees below its melting point on: water's solution is at 99 °C.
    const withMelting = (lowC: number) =>
      compareSolvents({ ...solute, melting: { lowC, highC: lowC, source: '' } }, solvents, 4.9, 20, 760)[0]!.against
    expect(withMelting(108.9)).toContain('the solute may come as an oil')
    expect(withMelting(109.1)).not.toContain('the solute may come as an oil')
  })
  test('what the classes of both do to each other speaks against a solvent, whatever anything is called', () => {
    const clash = (of: object) =>
      Object.fromEntries(
        compareSolvents(
          { ...solute, formula: 'C8H9NO', ...of },
          [
            { ...solvents[1]!, name: 'spirit', formula: 'C2H6O', groups: ['alcohol'] },
            { ...solvents[0]!, name: 'the plain one', formula: 'H2O' },
          ],
          4.9,
          20,
          760,
        ).map(({ solvent, against }) => [solvent, against.filter((each) => each.includes('does not bear'))]),
      )
    expect(clash({})).toEqual({ spirit: [], 'the plain one': [] })
    // An anhydride is taken apart by both; a hydride gives hydrogen; an acid minds neither.
    const apart = 'does not bear the solute: it takes it apart'
    expect(clash({ formula: 'C4H6O3', smiles: 'CC(=O)OC(C)=O' })).toEqual({ spirit: [apart], 'the plain one': [apart] })
    expect(clash({ formula: 'NaH', smiles: '' })['spirit']).toEqual([expect.stringMatching(/hydrogen comes off/)])
    expect(clash({ formula: 'C8H8O2', groups: ['carboxylic acid'] })).toEqual({ spirit: [], 'the plain one': [] })
  })
  test('a pair: both solubilities are those of the mixture, log-linear in the volume fraction', () => {
    const [pair] = solventPairs(solute, solvents, 4.9, 20, 760)
    expect(pair!.solvents).toEqual(['ethanol', 'water'])
    // Hot at 60 °C or the curve's last point: ethanol 46; water between 20 and 100 °C at 77 °C, by ln s against 1/T.
    const water = solubilityAt(solute.solubility[0]!.points, pair!.hotC)
    const hot = 46 ** (1 - pair!.fraction) * water ** pair!.fraction
    const cold = 20 ** (1 - pair!.fraction) * 0.46 ** pair!.fraction
    expect(pair!.volumeML).toBeCloseTo(((100 * 4.9) / hot) * 1.1, 6)
    expect(pair!.recovery).toBeCloseTo(1 - (pair!.volumeML * cold) / 100 / 4.9, 6)
    expect(pair!.volumeML / 4.9).toBeLessThanOrEqual(60)
  })
  test('one solvent makes no pair', () => expect(solventPairs(solute, solvents.slice(0, 1), 4.9, 20, 760)).toEqual([]))
})
