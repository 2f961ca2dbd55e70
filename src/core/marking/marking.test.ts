import { TestLog } from '@/test-support/entries'
import { acetanilide } from '@/test-support/plans'
import { resultsOf } from '../classroom/classResults'
import { foldClass } from '../classroom/foldClass'
import { marksCsv } from '../format/marksCsv'
import { fromProposals, problemWithMark, totalOf } from './mark'
import { proposalsFor } from './proposal'
import { partOf, problemWithScheme, usualScheme } from './scheme'

describe('a scheme', () => {
  test('the usual one is sound', () => expect(problemWithScheme(usualScheme)).toBeNull())
  test.each([
    [{ ...usualScheme, points: { ...usualScheme.points, yield: 101 } }, 'between 0 and 100'],
    [{ ...usualScheme, points: { record: 0, arithmetic: 0, yield: 0, purity: 0, safety: 0, report: 0 } }, 'Something is judged'],
    [{ ...usualScheme, bands: [] }, 'at least one band'],
    [
      {
        ...usualScheme,
        bands: [
          { from: 0.5, part: 1 },
          { from: 0.6, part: 0.5 },
        ],
      },
      'from the highest down',
    ],
    [
      {
        ...usualScheme,
        bands: [
          { from: 0.5, part: 0.5 },
          { from: 0.4, part: 0.6 },
        ],
      },
      'gives no more',
    ],
    [{ ...usualScheme, bands: [{ from: 3, part: 1 }] }, 'A band begins'],
  ])('%# is refused: %s', (scheme, words) => expect(problemWithScheme(scheme)).toContain(words))
  test('bands are tried from both sides', () => {
    expect([0.85, 0.8499, 0.65, 0.4, 0.1, 0.0999].map((each) => partOf(usualScheme.bands, each))).toEqual([
      1, 0.75, 0.75, 0.5, 0.25, 0,
    ])
  })
})

const group = (bench: number, { g = 4.41, wet = false, melts = [113, 114.5] as [number, number] } = {}) => {
  const log = new TestLog()
  for (const { id, kind } of acetanilide.steps) if (kind === 'safety' || kind === 'assemble' || kind === 'act') log.done(id)
  const signed = log.difference('charge-aniline', 27.512, 23.418)
  log.sign('charge-aniline', signed)
  log.reading('charge-zinc', 'tared', 0)
  log.reading('charge-zinc', 'net', 0.1)
  log.reading('charge-anhydride', 'volume', 5, 2, {}, 'mL')
  for (const mark of ['heat-on', 'onset', 'heat-off'] as const) log.press('reflux', mark)
  for (const step of ['cool', 'cool-crystals']) {
    log.press(step, 'start')
    log.done(step)
  }
  log.reading('weigh-crude', 'tared', 0)
  log.reading('weigh-crude', 'net', 4.98)
  log.reading('crystallise', 'volume', 98, 0, {}, 'mL')
  log.done('crystallise')
  const dried = [
    log.reading('dry', 'empty', 31.2),
    ...(wet ? [g + 0.5, g] : [g, g]).map((each) => log.reading('dry', 'full', Number((31.2 + each).toFixed(2)))),
  ]
  if (wet) log.done('dry')
  log.sign('dry', dried)
  log.add('melt', 'melting', { onsetC: melts[0], clearC: melts[1], decimals: 1 })
  return { id: `run-${bench}`, bench, members: 'A, B', scale: 1, entries: log.entries, log }
}

const proposals = (groups: ReturnType<typeof group>[], index = 0) => {
  const folded = foldClass(acetanilide, groups)
  const results = resultsOf(acetanilide, folded)
  return Object.fromEntries(
    proposalsFor(folded[index]!, results.rows[index]!, results, usualScheme).map((each) => [each.criterion, each]),
  )
}

describe('proposals', () => {
  test('a good group: all that the record can say, and nothing that it cannot', () => {
    const found = proposals([group(1), group(2)])
    expect(Object.values(found).map(({ points }) => points)).toEqual([4, null, 3, 4, 2, null])
  })
  test('a step that is not written down, and one that is not signed, cost a little', () => {
    const one = group(1)
    one.entries = one.entries.filter(({ step, kind }) => step !== 'melt' && !(step === 'dry' && kind === 'signature'))
    const { record } = proposals([one, group(2)])
    expect(record!.points).toBeLessThan(4)
    expect(record!.evidence).toContain('not finished: Melt')
    expect(record!.evidence).toContain('not signed: Dry')
  })
  test('a wet yield, one above theory and one left out are for a person', () => {
    for (const bad of [group(1, { wet: true }), group(1, { g: 6.2 })])
      expect(proposals([bad, group(2), group(3)]).yield!.points).toBeNull()
    const out = group(1)
    out.log.add('dispose', 'excluded', {}, { reason: 'spilt' })
    expect(proposals([out, group(2)]).yield).toMatchObject({ points: null, evidence: expect.stringContaining('spilt') as string })
  })
  test('half of the median is half the points, a low and broad range 40 %', () => {
    const found = proposals([group(1, { g: 2, melts: [104, 110] }), group(2), group(3)])
    expect(found.yield!.points).toBe(1.5)
    expect(found.purity!.points).toBe(1.5)
  })
  test('their own arithmetic counts what is right, and right for what stood before it', () => {
    const one = group(1)
    one.log.add('dispose', 'worked', { amounts: [], theoreticalG: 5.88, percent: 60 })
    const { arithmetic } = proposals([one, group(2)])
    expect(arithmetic!.points).toBe(2)
    expect(arithmetic!.evidence).toContain('1 of 2 right')
  })
  test('what happened is never held against anybody', () => {
    const one = group(1)
    one.log.add('filter', 'incident', { what: 'spill', who: '', text: '' })
    const { safety } = proposals([one, group(2)])
    expect(safety).toMatchObject({ points: 2, evidence: expect.stringContaining('costs nothing') as string })
  })
})

describe('a mark', () => {
  const mark = { points: { record: 3.5 }, comments: {}, comment: '' }
  test('takes proposals without touching what a person has given', () => {
    const taken = fromProposals(Object.values(proposals([group(1), group(2)])), mark)
    expect(taken.points).toEqual({ record: 3.5, yield: 3, purity: 4, safety: 2 })
    expect(totalOf(taken, usualScheme)).toEqual({ points: 12.5, of: 20, complete: false })
  })
  test('has at most the points of its criterion', () => {
    expect(problemWithMark({ ...mark, points: { record: 4 } }, usualScheme)).toBeNull()
    expect(problemWithMark({ ...mark, points: { record: 4.5 } }, usualScheme)).toContain('Between 0 and 4')
    expect(problemWithMark({ ...mark, points: { record: -1 } }, usualScheme)).toContain('Between 0 and 4')
  })
  test('as a file: a row each student, and no total before all is decided', () => {
    const text = marksCsv([{ bench: 1, members: ['Ada', '=cmd'], mark }], usualScheme)
    const lines = text.trim().split('\r\n')
    expect(lines[1]).toBe('1,Ada,3.5,,,,,,,20,open,')
    expect(lines[2]).toContain("'=cmd")
  })
})
