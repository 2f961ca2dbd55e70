import { slower } from '@/test-support/slower'
import { often } from '@/test-support/often'
import fc from 'fast-check'
import { areaPercent, byInternalStandard } from './composition'
import { absorbing, bandsFor, lookFor } from './bands'
import type { FunctionalGroup } from '../substance/lists'
import { integrate } from './peaks'
import { readJcamp } from './readJcamp'
import { readTraceCsv } from './readTraceCsv'
import { simulateChromatogram, simulateInfrared, simulateProtons, type SimulatedPeak } from './simulate'
import { writeJcamp } from './writeJcamp'

/** A repeatable stream in [0, 1) for the noise of tests. */
const stream = (seed: number) => () => {
  seed = (Math.imul(seed, 1_664_525) + 1_013_904_223) >>> 0
  return seed / 4_294_967_296
}
const drawn = (peaks: readonly SimulatedPeak[], seed = 1, noise = 0.05, points = 20_000, drift = 8) =>
  simulateChromatogram(peaks, { title: 'test', minutes: 20, points, drift, noise }, stream(seed))

describe('integration', () => {
  const known = [
    { atMin: 3, area: 12, sigmaMin: 0.04 },
    { atMin: 7.5, area: 30, sigmaMin: 0.05 },
    { atMin: 12, area: 3, sigmaMin: 0.06 },
  ]
  test('three known peaks are found again through noise and drift, in place and area', () => {
    const { peaks } = integrate(drawn(known))
    expect(peaks).toHaveLength(3)
    peaks.forEach((peak, index) => {
      expect(peak.at).toBeCloseTo(known[index]!.atMin, 1)
      expect(peak.area / known[index]!.area).toBeGreaterThan(0.96)
      expect(peak.area / known[index]!.area).toBeLessThan(1.04)
    })
    // 12, 30 and 3 of 45.
    expect(peaks.map(({ percent }) => Math.round(percent))).toEqual([27, 67, 7])
  })
  test('whatever their areas and places, through noise and drift', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.double({ min: 2, max: 50, noNaN: true }), fc.double({ min: 0.03, max: 0.08, noNaN: true })), {
          minLength: 1,
          maxLength: 6,
        }),
        fc.integer({ min: 1, max: 1e6 }),
        (all, seed) => {
          const peaks = all.map(([area, sigmaMin], index) => ({ atMin: 2 + 3 * index, area, sigmaMin }))
          const found = integrate(drawn(peaks, seed, 0.05, 8000))
          expect(found.peaks).toHaveLength(peaks.length)
          found.peaks.forEach(({ area }, index) => expect(Math.abs(area / peaks[index]!.area - 1)).toBeLessThan(0.06))
        },
      ),
      { numRuns: often(8, 25) },
    )
  })
  test('a line that only drifts, with noise, has no peaks', () => {
    for (const seed of [1, 2, 3, 4, 5]) expect(integrate(drawn([], seed)).peaks).toEqual([])
  })
  test('two that overlap are parted at the valley, and say so', () => {
    const { peaks } = integrate(
      drawn([
        { atMin: 7, area: 20, sigmaMin: 0.06 },
        { atMin: 7.24, area: 10, sigmaMin: 0.06 },
      ]),
    )
    expect(peaks.map(({ shared }) => shared)).toEqual([true, true])
    expect(peaks[0]!.percent).toBeGreaterThan(62)
    expect(peaks[0]!.percent).toBeLessThan(71)
    expect(peaks[0]!.to).toBeCloseTo(peaks[1]!.from, 6)
  })
  test('fewer than five points are no chromatogram', () => expect(integrate({ x: [1, 2], y: [3, 4] }).peaks).toEqual([]))
})

describe('what areas say', () => {
  test('A/f: 60 and 40 with a response of 1 and 0.8 are 54.5 and 45.5 %', () => {
    // 60/1 = 60, 40/0.8 = 50; 60/110 = 54.55 %.
    const [one, other] = areaPercent([
      { name: 'a', area: 60, response: 1 },
      { name: 'b', area: 40, response: 0.8 },
    ])
    expect(one).toBeCloseTo(54.545, 3)
    expect(other).toBeCloseTo(45.455, 3)
  })
  test('the solvent is left out and has no part', () =>
    expect(
      areaPercent([
        { name: 'solvent', area: 900, response: 1, left: true },
        { name: 'b', area: 1, response: 1 },
      ]),
    ).toEqual([null, 100]))
  test('no factor is zero', () => {
    expect(() => areaPercent([{ name: 'a', area: 1, response: 0 }])).toThrow('positive')
    expect(() => byInternalStandard({ areaStandard: 0, standardMg: 1, area: 1, response: 1 })).toThrow('positive')
  })
  test('internal standard: 10.0 mg of it with area 200, the analyte 300 at response 1.2: 12.5 mg', () =>
    expect(byInternalStandard({ areaStandard: 200, standardMg: 10, area: 300, response: 1.2 })).toBeCloseTo(12.5, 9))
})

describe('JCAMP-DX', () => {
  const trace = drawn([{ atMin: 5, area: 10, sigmaMin: 0.05 }], 3, 0.02, 400)
  test('a word in its origin or its title says nothing: a label of its own does, or the origin that our files had before', () => {
    const simulated = (file: string) => {
      const back = readJcamp(file)
      if (!back.ok) throw new Error(back.problem)
      return back.value.simulated
    }
    const labelled = writeJcamp(trace)
    const plain = labelled.replace('##$SIMULATED=YES\n', '')
    const origin = '##ORIGIN=simulated by Mozle, measured by no instrument'
    expect(plain).toContain(origin)
    expect(simulated(labelled.replace(origin, '##ORIGIN=x'))).toBe(true)
    expect(simulated(plain)).toBe(true)
    expect(simulated(plain.replace(origin, '##ORIGIN=simulated moving bed, line 2'))).toBe(false)
    const rows = Array.from({ length: 40 }, (_, index) => `${index / 10},${index}`).join('\n')
    const ofCsv = (head: string) => {
      const back = readTraceCsv(`${head}\n${rows}`, 'simulated run')
      return back.ok && back.value.simulated
    }
    expect(ofCsv('# simulated=yes')).toBe(true)
    expect(ofCsv('# simulated moving bed')).toBe(false)
  })
  test('what is written is read back, point by point, and says that it was simulated', () => {
    const back = readJcamp(writeJcamp(trace))
    if (!back.ok) throw new Error(back.problem)
    expect(back.value).toMatchObject({ kind: 'chromatogram', title: 'test', peaksOnly: false, simulated: true })
    expect(back.value.x).toHaveLength(400)
    back.value.y.forEach((value, index) => expect(value).toBeCloseTo(trace.y[index]!, 4))
  })
  test('packed differences are unpacked: (X++(Y..Y)) with DIF and DUP, by hand', () => {
    // @1 = +01; J = +1, repeated three times by U: 1, 2, 3, 4 … checked by the next line's first value.
    const file = [
      '##TITLE=A3',
      '##JCAMP-DX=4.24',
      '##DATA TYPE=INFRARED SPECTRUM',
      '##XUNITS=1/CM',
      '##YUNITS=ABSORBANCE',
      '##XFACTOR=1',
      '##YFACTOR=1',
      '##FIRSTX=400',
      '##LASTX=403',
      '##DELTAX=1',
      '##NPOINTS=4',
      '##XYDATA=(X++(Y..Y))',
      '400A0J0JJ',
      '403A2',
      '##END=',
    ].join('\n')
    const back = readJcamp(file)
    if (!back.ok) throw new Error(back.problem)
    expect(back.value.kind).toBe('infrared')
    expect(back.value.x).toEqual([400, 401, 402, 403])
    expect(back.value.y).toEqual([10, 20, 21, 22])
  })
  test('a peak table of masses is peaks, in order', () => {
    const file = [
      '##TITLE=vial B2',
      '##JCAMP-DX=4.24',
      '##DATA TYPE=MASS SPECTRUM',
      '##XUNITS=M/Z',
      '##YUNITS=RELATIVE ABUNDANCE',
      '##NPOINTS=3',
      '##PEAK TABLE=(XY..XY)',
      '70,100 43,80',
      '55,20',
      '##END=',
    ].join('\n')
    const back = readJcamp(file)
    if (!back.ok) throw new Error(back.problem)
    expect(back.value).toMatchObject({
      kind: 'mass spectrum',
      peaksOnly: true,
      x: [43, 55, 70],
      y: [80, 20, 100],
      simulated: false,
    })
  })
  test.each([
    ['hello', 'does not begin with ##TITLE='],
    ['##TITLE=x\n##DATA TYPE=INFRARED SPECTRUM', 'ends with ##END='],
    ['##TITLE=x\n##JCAMP-DX=4.24\n##END=', 'holds no curve'],
    [
      '##TITLE=x\n##JCAMP-DX=4.24\n##DATA TYPE=X-RAY DIFFRACTION\n##XUNITS=2THETA\n##YUNITS=COUNTS\n##XYPOINTS=(XY..XY)\n1,2\n2,3\n##END=',
      'is not taken',
    ],
  ])('%j is refused in words', (text, words) => {
    const read = readJcamp(text)
    expect(read.ok ? '' : read.problem).toContain(words)
  })
  test('any text is read or refused, and never thrown at anybody', () => {
    fc.assert(fc.property(fc.string({ maxLength: 300 }), (text) => void readJcamp(`##TITLE=x\n${text}\n##END=`)))
    fc.assert(fc.property(fc.string({ maxLength: 300 }), (text) => void readTraceCsv(text)))
  })
})

describe('a chromatogram as CSV', () => {
  const lines = ['0,1', '1,2', '2,9', '3,2', '4,1']
  test('with and without headings, in minutes', () => {
    for (const text of [lines.join('\n'), ['time/min,signal', ...lines].join('\n')]) {
      const back = readTraceCsv(text, 'A3.csv')
      expect(back.ok && back.value.x).toEqual([0, 1, 2, 3, 4])
    }
  })
  test('seconds become minutes where the heading says so', () => {
    const back = readTraceCsv(['t (s);signal', '0;1', '60;2', '120;9', '180;2', '240;1'].join('\n'))
    expect(back.ok && back.value.x).toEqual([0, 1, 2, 3, 4])
  })
  test('a broken line is told by its number', () => {
    const back = readTraceCsv([...lines, 'oops,1'].join('\n'))
    expect(back.ok ? '' : back.problem).toContain('Line 6')
    expect(readTraceCsv('1,2\n3,4').ok).toBe(false)
  })
})

describe('bands', () => {
  test('an ester from an alcohol and an acid: its carbonyl should be there, the O–H of the alcohol gone', () => {
    const wanted = bandsFor(['ester'], ['alcohol', 'carboxylic acid'])
    expect(wanted.map(({ group, bond, wanted: which }) => `${group} ${bond} ${which}`)).toEqual([
      'ester C=O there',
      'ester C–O there',
      'alcohol O–H gone',
      'carboxylic acid O–H, very broad gone',
    ])
  })
  test('an amide from an amine and an anhydride: its C=O and N–H are looked for, and the anhydride should have gone', () => {
    const of = (smiles: string, groups: FunctionalGroup[] = []) => absorbing({ smiles, groups })
    const acetanilide = of('CC(=O)Nc1ccccc1')
    const wanted = bandsFor(acetanilide, [...of('Nc1ccccc1', ['amine']), ...of('CC(=O)OC(C)=O')])
    expect(wanted.map(({ bond, wanted: which }) => `${bond} ${which}`)).toEqual([
      'C=O there',
      'N–H there',
      'C=O, the higher of two gone',
    ])
    const trace = simulateInfrared(
      '1',
      acetanilide.map((group) => ({ group, part: 1 })),
      stream(4),
    )
    expect(lookFor(trace, wanted).map(({ found }) => found)).toEqual([true, true, false])
    // Without a hydrogen on its nitrogen an amide has no N–H; a nitro compound has its two bands.
    expect(of('CN(C)C(C)=O')).toEqual(['amide'])
    expect(bandsFor(of('COC(=O)c1cccc(c1)[N+](=O)[O-]', ['ester']), []).map(({ bond }) => bond)).toEqual(
      expect.arrayContaining(['C=O', 'N=O, unsymmetric', 'N=O, symmetric']),
    )
  })
  const strengths = (alcohol: number) => {
    const trace = simulateInfrared(
      'A1',
      [
        { group: 'ester', part: 1 },
        { group: 'alcohol', part: alcohol },
      ],
      stream(9),
    )
    return Object.fromEntries(
      lookFor(trace, bandsFor(['ester'], ['alcohol'])).map((band) => [`${band.group} ${band.bond}`, band.found]),
    )
  }
  test('are found where they are, and not where they are not', () => {
    expect(strengths(0)).toEqual({ 'ester C=O': true, 'ester C–O': true, 'alcohol O–H': false })
    expect(strengths(1)).toEqual({ 'ester C=O': true, 'ester C–O': true, 'alcohol O–H': true })
  })
  test('the broad O–H of an acid is seen where nothing else absorbs, and a C–H beside it is none', () => {
    const acid = (part: number) => {
      const trace = simulateInfrared(
        'A1',
        [
          { group: 'ester', part: 1 },
          { group: 'carboxylic acid', part },
        ],
        stream(4),
      )
      return lookFor(trace, bandsFor(['ester'], ['carboxylic acid'])).find(({ level }) => level)!.found
    }
    expect([acid(0), acid(1)]).toEqual([false, true])
  })
})

test('a simulated proton spectrum keeps the protons of its signals as areas, split as binomial lines', () => {
  const signals = [
    { ppm: 1.2, protons: 3, lines: 3 },
    { ppm: 3.6, protons: 2, lines: 1 },
  ]
  const trace = simulateProtons('', signals, () => 0.5)
  const area = (from: number, to: number) =>
    trace.x.reduce((sum, at, index) => (at > from && at < to ? sum + trace.y[index]! : sum), 0)
  // 3 protons to 2, but for the tails of the lines and steps of 0.001 ppm
  expect(area(0.8, 1.6) / area(3.2, 4)).toBeCloseTo(1.5, 1)
  const at = (ppm: number) => trace.y[trace.x.findIndex((x) => x > ppm - 0.0005)]!
  // A triplet is 1 : 2 : 1 with 7 Hz at 400 MHz between its lines, 0.0175 ppm
  expect(at(1.2) / at(1.2 - 0.0175)).toBeGreaterThan(1.7)
  expect(at(1.2) / at(1.2 + 0.0175)).toBeGreaterThan(1.7)
})

describe('files that ask for more than anybody has', () => {
  const jcamp = (data: string, more = '') =>
    `##TITLE=x\n##JCAMP-DX=4.24\n##DATA TYPE=INFRARED SPECTRUM\n${more}##XUNITS=1/CM\n##YUNITS=TRANSMITTANCE\n##XFACTOR=1\n##YFACTOR=1\n##FIRSTX=1\n##LASTX=9\n##DELTAX=1\n##NPOINTS=9\n##XYDATA=(X++(Y..Y))\n${data}\n##END=\n`
  test.each(['1A1s99999999', '1A1S1T99999999', '1@\n1A1Z25001Z0', '1A1s9s9s99999999 $$ S1'])('%s', (data) => {
    const began = performance.now()
    expect(readJcamp(jcamp(data))).toEqual({ ok: false, problem: expect.stringMatching(/more than 200000 points/) })
    expect(performance.now() - began).toBeLessThan(200 * slower())
  })
  test('what is repeated within bounds is taken, and letters of words are no repeats', () => {
    // A value and three more of it: A1 is 11, T4 says 24 times in all where S is 1, T 2.
    const read = readJcamp(jcamp('1A1T4', '##OWNER=Section S99999999, s99999999\n$$ S99999999\n'))
    expect(read.ok && read.value.y).toEqual(Array<number>(24).fill(11))
  })
  test('a label that counts to a thousand million is left unread', () => {
    const began = performance.now()
    expect(readJcamp(jcamp('1A1B2C3', '##$ANY= (0..999999999)\n1 2 3\n')).ok).toBe(true)
    expect(performance.now() - began).toBeLessThan(200 * slower())
  })
})
