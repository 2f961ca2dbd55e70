import fc from 'fast-check'
import { acetanilide } from '@/test-support/plans'
import { makeStep } from '../operations/makeStep'
import { measurementIn } from '../operations/readings'
import { operationKeys, type OperationKey } from '../operations/registry'
import type { Step } from '../plan/plan'
import { entrySchema } from '../run/entrySchema'
import { problemWith } from '../run/fitsStep'
import { asWords } from '../words/words'
import { correctedRange } from './melting'
import { longestPicture } from './observation'
import { indexAt20C } from './refraction'
import { entryKinds, isApart, labelOf, shows, valueOf, type EntryKind } from './registry'
import { retention, uRetention } from './spots'

const step = (key: OperationKey): Step => makeStep(key, { id: 'x', title: asWords('It') }, acetanilide)
const other = '01HZZZZZZZZZZZZZZZZZZZ0009'
const entry = (kind: EntryKind, body: object, more: object = {}) => ({
  id: '01HZZZZZZZZZZZZZZZZZZZ0001',
  kind,
  step: 'x',
  body,
  at: '2026-11-25T10:00:00Z',
  by: 'Bench 1',
  device: 'tablet',
  ...more,
})

/** One good body of each kind, the operation whose step takes it, what it is called and what it says there. */
const good: Record<EntryKind, [body: object, taken: OperationKey, label: string, value: string]> = {
  reading: [{ slot: 'pH', value: 6.8, unit: '', decimals: 1 }, 'set-ph', 'pH', '6.8'],
  melting: [{ onsetC: 113, clearC: 114.5, decimals: 1 }, 'melt', 'Melting range', '113.0–114.5 °C'],
  boiling: [{ lowC: 141, highC: 142.5, decimals: 1, mmHg: 752 }, 'boil', 'Boiling range', '141.0–142.5 °C at 752 mmHg'],
  refraction: [{ index: 1.4003, decimals: 4, atC: 24 }, 'refract', 'Refractive index', '1.4003 at 24.0 °C, 1.4021 at 20 °C'],
  purity: [{ percent: 98.2, decimals: 1, by: 'gas chromatography' }, 'send', 'Purity by gas chromatography', '98.2 %'],
  spectrum: [{ text: '1720, 1600 cm⁻¹', by: 'infrared' }, 'send', 'Read by infrared', '1720, 1600 cm⁻¹'],
  head: [{ volumeML: 0, volumeDecimals: 1, headC: 80, decimals: 0 }, 'distil', 'First drop, head', '80 °C'],
  window: [{ lowC: 134, highC: 144 }, 'distil', 'Window widened', '134–144 °C: it reads low'],
  press: [{ mark: 'onset' }, 'reflux', 'Onset of reflux', ''],
  tube: [{ tube: 'sample', event: 'none' }, 'test', 'sample: no sign', ''],
  spots: [{ frontMM: 60, spots: [{ of: 'crude', mm: 21 }] }, 'thin-layer', 'Plate', 'crude Rf 0.35 ± 0.01'],
  note: [{ slot: 'sample slot', text: 'A3', for: 'infrared' }, 'send', 'Sample slot', 'A3, for infrared'],
  observation: [{ text: 'two layers', colour: 'brown' }, 'charge', 'Seen', 'brown: two layers'],
  step: [{ title: 'Wash again', operation: 'wash' }, 'wash', 'Step put in after it', 'Wash again'],
  contents: [{ effect: 'stays' }, 'filter', 'In the vessel', 'nothing left the vessel'],
  timer: [{ label: 'vent', minutes: 1, repeats: true }, 'wash', 'Clock: vent', 'every 1 min'],
  stopped: [{ of: other }, 'wash', 'Clock stopped', ''],
  hand: [{ text: 'which layer?' }, 'wash', 'Hand up', 'which layer?'],
  incident: [{ what: 'cut', who: 'one of us', text: 'left thumb' }, 'wash', 'Something happened', 'cut; one of us; left thumb'],
  message: [{ text: 'Vent it now' }, 'wash', 'Note from the demonstrator', 'Vent it now'],
  answer: [{ of: other, text: 'glass swept up' }, 'wash', 'Seen to', 'glass swept up'],
  joined: [{ bench: 5, here: false }, 'wash', 'Goes on with another group', 'bench 5'],
  pooled: [{ sample: 'crude', way: 'in', massG: 1.2, decimals: 2, bench: 3 }, 'weigh', 'Put to our crude', '1.20 g from bench 3'],
  vessel: [
    { label: 'A', what: 'ether layer', why: 'density', layer: 'upper', tareG: 41.2, decimals: 2 },
    'extract',
    'In A',
    'upper layer: ether layer; density; empty 41.20 g',
  ],
  emptied: [{ of: other, how: 'combined', into: 'B' }, 'extract', 'Vessel combined with another', 'B'],
  confirmed: [{ question: 'Go on?' }, 'dispose', 'Asked, and gone on', 'Go on?'],
  worked: [
    { amounts: [{ line: 'aniline', mmol: 43.5 }], limiting: 'aniline', theoreticalG: 5.88, percent: 75 },
    'melt',
    'Worked out by us',
    'theory 5.88 g, 75.0 %',
  ],
  excluded: [{}, 'melt', 'Not counted in the class', 'the flask broke'],
  done: [{}, 'filter', 'Done', ''],
  skip: [{}, 'filter', 'Left out', 'no time'],
  ahead: [{}, 'filter', 'Out of turn', 'while we wait'],
  again: [{}, 'filter', 'Once more', 'still coloured'],
  strike: [{}, 'filter', 'Struck', ''],
  signature: [{ covers: ['01HZZZZZZZZZZZZZZZZZZZ0002'] }, 'melt', 'Signature', ''],
}

const more: Partial<Record<EntryKind, object>> = {
  window: { reason: 'it reads low' },
  excluded: { reason: 'the flask broke' },
  skip: { reason: 'no time' },
  ahead: { reason: 'while we wait' },
  again: { reason: 'still coloured' },
  strike: { supersedes: '01HZZZZZZZZZZZZZZZZZZZ0003', reason: 'slip' },
}

describe.each(entryKinds)('%s', (kind) => {
  const [body, taken, label, value] = good[kind]
  test('is accepted, and said as it is', () => {
    const read = entrySchema(entry(kind, body, more[kind]))
    expect(read.body).toEqual(body)
    expect(labelOf(read, step(taken))).toBe(label)
    expect(valueOf(read)).toBe(value)
  })
  test('is taken by its step, and by no other unless it fits everywhere', () => {
    const read = entrySchema(entry(kind, body, more[kind]))
    expect(problemWith(read, step(taken))).toBeNull()
    const others = operationKeys.filter((key) => problemWith(read, step(key)) === null)
    const everywhere = ['observation', 'done', 'strike', 'signature'].includes(kind) || isApart(kind)
    const butSafety = ['skip', 'ahead', 'again'].includes(kind)
    expect(others.length === operationKeys.length).toBe(everywhere)
    if (butSafety) expect(operationKeys.filter((key) => !others.includes(key))).toEqual(['safety'])
    else if (!everywhere) expect(problemWith(read, step('safety'))).toMatch(/^“It” takes no /)
  })
  test('holds nothing that its schema does not name', () => {
    expect(() => entrySchema(entry(kind, { ...body, also: 1 }, more[kind]))).toThrow(/also|unspecified/)
  })
})

test.each<[EntryKind, object, RegExp]>([
  ['reading', { slot: 'pH', value: 14.1, unit: '', decimals: 1 }, /between 0 and 14/],
  ['reading', { slot: 'volume', value: -0.1, unit: 'mL', decimals: 1 }, /cannot be negative/],
  ['melting', { onsetC: 115, clearC: 114.9, decimals: 1 }, /clear point cannot lie below/],
  ['boiling', { lowC: 142, highC: 141.9, decimals: 1 }, /ends at or above/],
  ['boiling', { lowC: 142, highC: 500.1, decimals: 1 }, /500/],
  ['refraction', { index: 1.19, decimals: 4, atC: 20 }, /from 1.2/],
  ['refraction', { index: 1.91, decimals: 4, atC: 20 }, /to 1.9/],
  ['purity', { percent: 100.1, decimals: 1, by: 'x' }, /purer than 100/],
  ['spots', { frontMM: 60, spots: [{ of: 'crude', mm: 60.1 }] }, /ahead of the front/],
  ['spots', { frontMM: 60, spots: [] }, /at least 1/],
  ['observation', { text: '' }, /says something/],
  ['observation', { text: 'x', picture: 'data:image/svg+xml;base64,AAAA' }, /JPEG/],
  ['observation', { text: 'x', picture: `data:image/jpeg;base64,${'A'.repeat(longestPicture)}` }, /too large/],
])('%s %j is refused: %s', (kind, body, why) => {
  expect(() => entrySchema(entry(kind, body))).toThrow(why)
})

test('both ends of what may be are accepted', () => {
  const ends: [EntryKind, object][] = [
    ['reading', { slot: 'pH', value: 14, unit: '', decimals: 0 }],
    ['reading', { slot: 'pH', value: 0, unit: '', decimals: 0 }],
    ['melting', { onsetC: 114, clearC: 114, decimals: 0 }],
    ['refraction', { index: 1.2, decimals: 4, atC: 20 }],
    ['refraction', { index: 1.9, decimals: 4, atC: 20 }],
    ['purity', { percent: 100, decimals: 0, by: 'x' }],
    [
      'spots',
      {
        frontMM: 60,
        spots: [
          { of: 'front', mm: 60 },
          { of: 'start', mm: 0 },
        ],
      },
    ],
    ['observation', { text: '', colour: 'red' }],
    ['observation', { text: '', picture: 'data:image/jpeg;base64,AAAA' }],
  ]
  for (const [kind, body] of ends) expect(entrySchema(entry(kind, body)).body).toEqual(body)
})

test('a window needs its reason, and a reading its own unit', () => {
  expect(() => entrySchema(entry('window', good.window[0]))).toThrow(/needs a reason/)
  const inMl = entrySchema(entry('reading', { slot: 'net', value: 4, unit: 'mL', decimals: 2 }))
  expect(problemWith(inMl, step('weigh'))).toBe('“It” takes no reading “net” in mL, which is in g.')
})

test('what an instrument showed is signed for, what a hand pressed is not', () => {
  expect(entryKinds.filter((kind) => shows(kind))).toEqual([
    'reading',
    'melting',
    'boiling',
    'refraction',
    'purity',
    'spectrum',
    'head',
    'spots',
  ])
})

test('by hand: the index at 20 °C, the corrected range, the retention factor', () => {
  // 1.4003 at 24 °C: 4 × 0.00045 more at 20 °C; at 16 °C as much less.
  expect(indexAt20C({ index: 1.4003, atC: 24 })).toBeCloseTo(1.4021, 6)
  expect(indexAt20C({ index: 1.4003, atC: 16 })).toBeCloseTo(1.3985, 6)
  expect(indexAt20C({ index: 1.4003, atC: 20 })).toBe(1.4003)
  const instrument = { name: 'block 2', offsetC: -1, slope: 1.02 }
  expect(correctedRange({ onsetC: 100, clearC: 150, decimals: 0, instrument })).toEqual({ onsetC: 101, clearC: 152 })
  expect(retention(21, 60)).toBeCloseTo(0.35, 12)
})

test('what an operation says that it takes, its step takes', () => {
  for (const key of operationKeys) {
    const { numbers = {}, kinds = [], marks = [] } = measurementIn(step(key))
    const entries = [
      ...Object.entries(numbers).map(([slot, { unit }]) => entry('reading', { slot, value: 4, unit, decimals: 1 })),
      ...kinds.map((kind) => entry(kind as EntryKind, good[kind as EntryKind][0], more[kind as EntryKind])),
      ...marks.map((mark) => entry('press', { mark })),
    ]
    for (const each of entries)
      expect([key, each.kind, problemWith(entrySchema(each), step(key))]).toEqual([key, each.kind, null])
  }
})

test('a retention factor by hand: 21 of 60 mm, each read to half a millimetre', () => {
  // u(mm) = 0.5/√3 = 0.2887; u(Rf) = 0.2887/60·√(1 + 0.35²) = 0.00510.
  expect(uRetention(21, 60)).toBeCloseTo(0.0051, 5)
  expect(retention(21, 60)).toBeCloseTo(0.35, 12)
})

describe('bodies that nobody would write', () => {
  const anything = fc.anything({ withDate: true, withNullPrototype: false, maxDepth: 2 })
  test.each(entryKinds)('%s: taken as they are, or refused in words', (kind) => {
    fc.assert(
      fc.property(
        fc.oneof(anything, fc.record(Object.fromEntries(Object.keys(good[kind][0]).map((key) => [key, anything])))),
        (body) => {
          try {
            const read = entrySchema(entry(kind, body as object, { reason: 'x', ...more[kind] }))
            expect(typeof valueOf(read)).toBe('string')
          } catch (error) {
            expect([(error as Error).name, (error as Error).message.length > 3]).toEqual(['ValidationError', true])
          }
        },
      ),
      { numRuns: 60 },
    )
  })
})
