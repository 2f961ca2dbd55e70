/** The planner of a crystallisation on the demo preparations, with figures worked by hand. */
import { defaultLab } from '../../lab/lab'
import { changeStep } from '../../plan/editPlan'
import type { Plan } from '../../plan/plan'
import { recoveryByVolume } from './planner'
import { pairsJudged, solventsJudged } from './solvents'
import { at, nothingMeasured } from '@/test-support/planned'
import { planners, typedWith } from '../planners'
import { acetanilide, methylNitrobenzoate } from '@/test-support/plans'

describe('crystallising acetanilide', () => {
  test('98 mL keep 0.45 g; 10 % too much 91 %, 300 % too much 66 %', () => {
    const { fact } = at(acetanilide, 'crystallise')
    expect(fact('loss')).toBeCloseTo(0.4508, 4)
    // 1 − 1.1·0.46/5.37
    expect(fact('ten')).toBeCloseTo(90.6, 1)
    expect(fact('four')).toBeCloseTo(65.7, 1)
  })
  test('the volume in the sentence is that of the way beside it: the table’s 98 mL, the curve’s 121, what was typed', () => {
    const said = (typed: object, lab = defaultLab, plan = acetanilide) => {
      const { filled, advice } = at(plan, 'crystallise', typed as Record<string, unknown>, lab)
      return [filled.way, filled.volumeML, advice('school')?.words, advice('table')?.words]
    }
    // 4.64 g are filtered off: 100·4.64/5.37 = 86.4, and 40 % more where it is filtered hot: 121.
    const byCurve = /By the curve it would be 121 mL, and 98 mL stand here/
    const inTable = /The table sets 98 mL of water out, and 121 mL stand here/
    expect(said({})).toEqual(['table', 98, expect.stringMatching(byCurve), undefined])
    expect(said({ way: 'curve' })).toEqual(['curve', 121, undefined, expect.stringMatching(inTable)])
    // 98 ÷ 4.64 = 21.1 mL to the gram, and 21.1 × 4.64 again.
    expect(said({ way: 'factor' })).toEqual(['factor', 97.9, undefined, undefined])
    expect(said({ way: 'factor', perG: 30 }).slice(0, 3)).toEqual(['factor', 139, undefined])
    // In portions it takes what it takes; the table is what is set out for it.
    expect(said({ way: 'portions' })).toEqual(['portions', 98, undefined, undefined])
    expect(said({}, { ...defaultLab, crystallisationVolume: 'factor' })).toEqual(['table', 98, undefined, undefined])
    // Twice the crude takes twice the solvent, where the curve is asked.
    expect(said({ way: 'curve', soluteG: 8.98 })[1]).toBe(234)
    // Five hundredths apart: 103.1 less 98 are 4.95 %, 103.2 less 98 are 5.04 %.
    expect(said({ volumeML: 103.1 })).toEqual(['own', 103.1, expect.any(String), undefined])
    expect(said({ volumeML: 103.2 })[3]).toBe(
      'The table sets 98 mL of water out, and 103 mL stand here: let the same stand in both.',
    )
    const noVolume = {
      ...acetanilide,
      lines: acetanilide.lines.map((line) => (line.id === 'hot-water' ? { ...line, anchor: null } : line)),
    }
    expect(said({}, defaultLab, noVolume as Plan).slice(0, 2)).toEqual(['curve', 121])
    // Nothing on record and nothing in the table: ten millilitres to the gram, and no factor is made up.
    const unknown = at(
      { ...(noVolume as Plan), substances: noVolume.substances.map((each) => ({ ...each, solubility: undefined })) },
      'crystallise',
    )
    expect(unknown.filled).toMatchObject({ way: 'portions', volumeML: 47.8, perG: 0 })
    expect(unknown.fact('factor')).toBeUndefined()
  })
  test('at the bench the volume really used and the crude really weighed give the prediction again', () => {
    const measured = { ...nothingMeasured, samples: { crude: 4.71 }, usedML: { crystallise: 420 } }
    const { filled, fact, advice } = at(acetanilide, 'crystallise', {}, defaultLab, measured)
    expect(filled).toMatchObject({ soluteG: 4.71, volumeML: 420, way: 'portions' })
    expect(fact('loss')).toBeCloseTo(1.932, 3)
    // 100·4.71·0.1/0.46
    expect(advice('much')!.words).toContain('Boil down to 102 mL')
  })
  test('a way and a volume are one choice: typing one takes the other back', () => {
    const { of, ...typed } = { of: 'crystallise', way: 'curve', coldC: 20 }
    const planner = planners.crystallise!
    expect(typedWith(planner, { of, ...typed }, 'volumeML', 110)).toEqual({ coldC: 20, volumeML: 110 })
    expect(typedWith(planner, { of, coldC: 20, volumeML: 110 }, 'way', 'factor')).toEqual({ coldC: 20, way: 'factor' })
    expect(typedWith(planner, { of, coldC: 20, volumeML: 110 }, 'volumeML', undefined)).toEqual({ coldC: 20 })
    expect(typedWith(planner, { of, way: 'curve' }, 'coldC', 5)).toEqual({ way: 'curve', coldC: 5 })
  })
  test('before it is used up the volume is that for the crude that was weighed, and so is what stays in it', () => {
    const measured = { ...nothingMeasured, samples: { crude: 4.71 } }
    const { filled, fact } = at(acetanilide, 'crystallise', {}, defaultLab, measured)
    // 98 mL for 4.64 g are 21.1 mL to the gram: 99.4 mL for 4.71 g, and 0.46 g in 100 mL stay.
    expect(filled).toMatchObject({ way: 'factor', volumeML: 99.4 })
    expect(fact('factor')).toBeCloseTo(99.4, 1)
    expect(fact('loss')).toBeCloseTo(0.457, 3)
  })
  test('the cold end decides what stays: ice keeps less than the room', () => {
    const [ice, room] = [5, 20].map((coldC) => at(acetanilide, 'crystallise', { coldC }))
    expect(room!.filled.coldS).toBeCloseTo(0.46, 6)
    expect(Number(ice!.filled.coldS)).toBeLessThan(0.46)
    expect(ice!.fact('loss')!).toBeCloseTo((98 * Number(ice!.filled.coldS)) / 100, 6)
    // Saturated at 94 °C it separates above the 83 °C at which it melts under water; in twice the water only below.
    expect(at(acetanilide, 'crystallise').advice('oil')!.words).toMatch(
      /separate at about 94 °C, and under water it is liquid above 83 °C/,
    )
    expect(at(acetanilide, 'crystallise', { volumeML: 112 }).advice('oil')!.words).toMatch(/above 83/)
    expect(at(acetanilide, 'crystallise', { volumeML: 135 }).advice('oil')).toBeUndefined()
    // Where nobody has measured it: ten degrees below its melting point, 113 °C.
    const unmeasured = {
      ...acetanilide,
      substances: acetanilide.substances.map((each) =>
        each.id === 'acetanilide'
          ? { ...each, solubility: each.solubility!.map(({ oilsAboveC: _oils, ...rest }) => rest) }
          : each,
      ),
    }
    expect(at(unmeasured, 'crystallise', { hotC: 104, volumeML: 40 }).advice('oil')!.words).toMatch(/above about 103 °C/)
    expect(at(unmeasured, 'crystallise', { hotC: 102, volumeML: 40 }).advice('oil')).toBeUndefined()
  })
  test('it is never boiled down to less than holds it hot, and a damp crude is an upper bound', () => {
    // 4.6 g need 100·4.6/5.5 = 84 mL hot: for 90 % it would have to be 100·4.6·0.1/1.2 = 38 mL, which do not hold it.
    const poor = at(acetanilide, 'crystallise', { coldS: 1.2, volumeML: 200 }).advice('much')!.words
    expect(poor).toMatch(/Boil down to \d+ mL and no further, which just hold it hot/)
    expect(at(acetanilide, 'crystallise', { coldS: 2, volumeML: 84 }).advice('much')!.words).toMatch(/cannot be boiled down/)
    expect(at(acetanilide, 'crystallise').advice('damp')!.words).toMatch(/upper bound/)
    const dry = changeStep(acetanilide, 'weigh-crude', { dry: true })
    expect(at(dry, 'crystallise').advice('damp')).toBeUndefined()
  })
  test('too little, oil, impurity, antisolvent, unknown', () => {
    expect(at(acetanilide, 'crystallise', { volumeML: 40 }).advice('little')).toBeDefined()
    expect(at(acetanilide, 'crystallise', { hotC: 110 }).advice('oil')).toBeDefined()
    expect(at(acetanilide, 'crystallise', { impurityPercent: 10, impurityS: 0.1 }).advice('impurity')!.level).toBe('doubt')
    expect(at(acetanilide, 'crystallise', { impurityPercent: 1, impurityS: 2 }).advice('impurity')!.level).toBe('good')
    expect(at(acetanilide, 'crystallise', { antiML: 50, antiS: 0.01 }).fact('anti')).toBeGreaterThan(4)
    expect(at(methylNitrobenzoate, 'crystallise').advice('unknown')).toBeDefined()
    expect(at(acetanilide, 'crystallise', { hotS: 1 }).advice('ratio')).toBeDefined()
  })
  test('the curve falls, and water is the solvent on record', () => {
    const { context, filled } = at(acetanilide, 'crystallise')
    const points = recoveryByVolume(filled)
    for (let i = 1; i < points.length; i++) expect(points[i]!.percent).toBeLessThan(points[i - 1]!.percent)
    expect(solventsJudged(context, filled)[0]).toMatchObject({ solvent: 'water' })
  })
  const usual = ['ethanol', 'heptane'].map((name, index) => ({
    id: name,
    name,
    boiling: { lowC: [78.3, 98.4][index]!, highC: [78.3, 98.4][index]!, source: '' },
  }))
  const withUsual = (tried: Record<string, unknown>[]) => {
    const { context, filled } = at(acetanilide, 'crystallise', tried.length > 0 ? { tried } : {})
    return [{ ...context, solvents: usual }, filled] as const
  }
  test('the usual solvents stand below those that are known, without figures', () => {
    const judged = solventsJudged(...withUsual([]))
    expect(judged.map(({ solvent, tried }) => [solvent, tried !== null])).toEqual(
      expect.arrayContaining([
        ['water', true],
        ['ethanol', false],
        ['heptane', false],
      ]),
    )
    expect(pairsJudged(...withUsual([]))).toEqual([])
  })
  test('what was tried in a tube is compared, and makes pairs: ethanol holds 20 g cold, 46 g a degree below its boil', () => {
    const here = withUsual([{ solvent: 'ethanol', cold: 20, hot: 46 }])
    const ethanol = solventsJudged(...here).find(({ solvent }) => solvent === 'ethanol')!
    expect(ethanol.tried!.ratio).toBeCloseTo(2.3, 6)
    expect(ethanol.against).toContain('hot dissolves only 2.3 times what cold does')
    expect(pairsJudged(...here).map(({ solvents }) => solvents)).toEqual([['ethanol', 'water']])
    // A row without figures says nothing, and what was tried stands instead of the record.
    expect(pairsJudged(...withUsual([{ solvent: '', cold: 0, hot: 0 }]))).toEqual([])
    const stranger = at(acetanilide, 'crystallise', { tried: [{ solvent: 'moonshine', cold: 1, hot: 9 }] })
    expect(stranger.advice('stranger')!.words).toContain('“moonshine”')
    expect(at(acetanilide, 'crystallise', { tried: [{ solvent: '', cold: 0, hot: 0 }] }).advice('stranger')).toBeUndefined()
    const again = withUsual([{ solvent: 'water', cold: 0.5, hot: 5 }])
    expect(pairsJudged(...again)).toEqual([])
    expect(solventsJudged(...again)[0]!.tried!.coldGPer100ML).toBeCloseTo(0.5, 9)
  })
})
