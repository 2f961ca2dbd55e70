import { cations, hydroxide, proton, strongAnions, weak } from './minerals'
import { distributionAt, inWaterAt, pHOf, unchargedAt, type Dissolved } from './pH'
import { madeThing, type Thing } from './thing'

const sodium = cations.Na!
const chloride = strongAnions[0]!
const acetic = madeThing('acetic', 'acetic acid', 'C2H4O2', { acid: [4.76] })
const benzoic = madeThing('benzoic', 'benzoic acid', 'C7H6O2', { acid: [4.2] })
const aniline = madeThing('aniline', 'aniline', 'C6H7N', { base: 4.6 })
const glycine = madeThing('glycine', 'glycine', 'C2H5NO2', { acid: [2.35], base: 9.78 })
const of = (...parts: [Thing, number, number?][]): Dissolved[] => parts.map(([thing, mmol, K = 0]) => ({ thing, mmol, K }))
const inML = (waterML: number, organicML = 0) => ({ waterML, organicML })

test.each<[string, Dissolved[], number, number]>([
  // By the formulas of a first-year textbook: strong −log c, weak ½(pKa − log c), buffer pKa + log(base/acid).
  ['water', [], 10, 7],
  ['0.1 M hydrochloric acid', of([proton, 1], [chloride, 1]), 10, 1],
  ['0.01 M sodium hydroxide', of([sodium, 0.1], [hydroxide, 0.1]), 10, 12],
  ['0.1 M acetic acid', of([acetic, 1]), 10, 2.88],
  ['acetic acid half neutralised', of([acetic, 2], [sodium, 1], [hydroxide, 1]), 10, 4.76],
  ['0.1 M sodium acetate', of([acetic, 1], [sodium, 1], [hydroxide, 1]), 10, 8.88],
  ['0.1 M ammonia', of([weak.ammonia, 1]), 10, 11.12],
  ['0.1 M ammonium chloride', of([weak.ammonia, 1], [proton, 1], [chloride, 1]), 10, 5.13],
  // ½(pKa1 + pKa2) for an amphoteric ion.
  ['0.1 M sodium bicarbonate, closed', of([weak.carbonDioxide, 1], [sodium, 1], [hydroxide, 1]), 10, 8.34],
  ['0.1 M sodium carbonate', of([weak.carbonDioxide, 1], [sodium, 2], [hydroxide, 2]), 10, 11.65],
  ['0.1 M disodium hydrogen phosphate', of([weak.phosphoric, 1], [sodium, 2], [hydroxide, 2]), 10, 9.7],
  ['acid and base in equal amounts', of([proton, 5], [chloride, 5], [sodium, 5], [hydroxide, 5]), 20, 7],
])('%s', (_what, dissolved, waterML, wanted) => expect(pHOf(dissolved, inML(waterML))).toBeCloseTo(wanted, 1))

test('an acid goes over to base as far as the base reaches: 21 mmol of a phenol against 15 of hydroxide give 15 at the most', () => {
  const phenol = madeThing('phenol', 'phenol', 'C6H6O', { acid: [9.99] })
  const all = of([phenol, 21, 50], [sodium, 15], [hydroxide, 15])
  const volumes = inML(15, 20)
  const pH = pHOf(all, volumes)
  const over = inWaterAt(all[0]!, pH, volumes)
  expect(over).toBeLessThan(15.3)
  expect(over / 21).toBeGreaterThan(0.66)
})

test('what bases take of a mixture, by Henderson and Hasselbalch: 99.9 % at three units, half at pKa where K and volumes are 1', () => {
  expect(1 - distributionAt(benzoic, 1, 7.2)).toBeCloseTo(0.999, 3)
  expect(1 - distributionAt(aniline, 1, 1.6)).toBeCloseTo(0.999, 3)
  const [at] = of([benzoic, 10, 1])
  // D = K/(1 + 1) at pH = pKa: a third is in the organic layer.
  expect(inWaterAt(at!, 4.2, inML(10, 10))).toBeCloseTo(20 / 3, 6)
  expect(unchargedAt(at!, 4.2, inML(10, 10))).toBeCloseTo(10 / 3, 6)
})

test('D of an acid at its pKa is half of K, of an ampholyte between its pKas nearly K, of an amino acid next to nothing', () => {
  const made = (acid: number[], base?: number) =>
    madeThing('it', 'it', 'C6H7NO2', { acid, ...(base === undefined ? {} : { base }) })
  expect(distributionAt(made([4.2]), 10, 4.2)).toBeCloseTo(5, 9)
  expect(distributionAt(made([], 4.2), 10, 6.2)).toBeCloseTo(10 / 1.01, 9)
  // 1 + 10^(5−8) + 10^(2−5) = 1.002
  expect(distributionAt(made([8], 2), 10, 5)).toBeCloseTo(10 / (1.002 + 1e-6), 6)
  // An amino acid, pKa 2.35 and 9.78, is a zwitterion between them: 10^7.43 to one uncharged.
  expect(distributionAt(glycine, 10, 6)).toBeLessThan(1e-6)
})

test('an amino acid stands as its zwitterion', () => {
  // Isoelectric point ½(2.35 + 9.78).
  expect(pHOf(of([glycine, 1]), inML(10))).toBeCloseTo(6.07, 1)
  expect(inWaterAt({ thing: glycine, mmol: 1, K: 1 }, 6, inML(10, 10))).toBeGreaterThan(0.999)
})

test('more base never lowers the pH, and no figure is not finite, over random waters', () => {
  let seed = 7
  const random = () => (seed = (seed * 16807) % 2147483647) / 2147483647
  for (let turn = 0; turn < 300; turn++) {
    const acidic = of(
      [acetic, 20 * random()],
      [weak.phosphoric, 5 * random()],
      [weak.carbonDioxide, 5 * random()],
      [aniline, 5 * random(), 8],
    )
    const volumes = inML(1 + 50 * random(), 50 * random())
    const salt = 30 * random()
    const before = pHOf([...acidic, ...of([sodium, salt])], volumes)
    const after = pHOf([...acidic, ...of([sodium, salt + 1])], volumes)
    expect(Number.isFinite(before)).toBe(true)
    expect(after).toBeGreaterThanOrEqual(before)
  }
})
