import { entrySchema } from '../run/entrySchema'
import { longestPicture } from './observation'
import type { EntryKind } from './registry'

const accepts = (kind: EntryKind, body: object): boolean => {
  const entry = {
    id: '01HZZZZZZZZZZZZZZZZZZZ0001',
    kind,
    step: 'x',
    body,
    at: '2026-11-25T10:00:00Z',
    by: 'Bench 1',
    device: 'tablet',
  }
  try {
    entrySchema({ ...entry, ...(kind === 'window' ? { reason: 'it reads low' } : {}) })
    return true
  } catch {
    return false
  }
}

const melting = { onsetC: 113, clearC: 114, decimals: 1 }
const instrument = { name: 'block 2', offsetC: 0, slope: 1 }
const boiling = { lowC: 141, highC: 142, decimals: 1 }
const refraction = { index: 1.4, decimals: 4, atC: 20 }
const head = { volumeML: 1, volumeDecimals: 1, headC: 80, decimals: 1 }
const spots = { frontMM: 60, spots: [{ of: 'crude', mm: 21 }] }
const reading = (slot: string, unit: string, value: number) => ({ slot, value, unit, decimals: 1 })
const many = (letter: string, count: number) => letter.repeat(count)
const plate = (count: number) => ({ frontMM: 60, spots: Array.from({ length: count }, (_, mm) => ({ of: 'x', mm })) })

/** Each bound as what is just accepted and what just is not. */
test.each<[EntryKind, object, object]>([
  ['melting', { ...melting, onsetC: -100 }, { ...melting, onsetC: -100.1 }],
  ['melting', { ...melting, clearC: 500 }, { ...melting, clearC: 500.1 }],
  ['melting', { ...melting, onsetC: 500, clearC: 500 }, { ...melting, onsetC: 500.5, clearC: 501 }],
  ['melting', { ...melting, onsetC: -100, clearC: -100 }, { ...melting, onsetC: -100, clearC: -100.5 }],
  ['melting', { ...melting, decimals: 6 }, { ...melting, decimals: 7 }],
  ['melting', { ...melting, decimals: 0 }, { ...melting, decimals: -1 }],
  ['melting', { ...melting, asked: many('a', 500) }, { ...melting, asked: many('a', 501) }],
  ['melting', { ...melting, instrument: { ...instrument, name: 'b' } }, { ...melting, instrument: { ...instrument, name: '' } }],
  [
    'melting',
    { ...melting, instrument: { ...instrument, name: many('b', 80) } },
    { ...melting, instrument: { ...instrument, name: many('b', 81) } },
  ],
  [
    'melting',
    { ...melting, instrument: { ...instrument, offsetC: 100 } },
    { ...melting, instrument: { ...instrument, offsetC: 100.1 } },
  ],
  [
    'melting',
    { ...melting, instrument: { ...instrument, offsetC: -100 } },
    { ...melting, instrument: { ...instrument, offsetC: -100.1 } },
  ],
  ['melting', { ...melting, instrument: { ...instrument, slope: 2 } }, { ...melting, instrument: { ...instrument, slope: 2.1 } }],
  [
    'melting',
    { ...melting, instrument: { ...instrument, slope: 0.5 } },
    { ...melting, instrument: { ...instrument, slope: 0.4 } },
  ],
  ['boiling', { ...boiling, lowC: -100 }, { ...boiling, lowC: -100.1 }],
  ['boiling', { ...boiling, lowC: 500, highC: 500 }, { ...boiling, lowC: 500.5, highC: 500.6 }],
  ['boiling', { ...boiling, mmHg: 1 }, { ...boiling, mmHg: 0.9 }],
  ['boiling', { ...boiling, mmHg: 1500 }, { ...boiling, mmHg: 1500.5 }],
  ['refraction', { ...refraction, atC: -20 }, { ...refraction, atC: -20.1 }],
  ['refraction', { ...refraction, atC: 120 }, { ...refraction, atC: 120.1 }],
  ['head', { ...head, volumeML: 0 }, { ...head, volumeML: -0.1 }],
  ['head', { ...head, volumeML: 100_000 }, { ...head, volumeML: 100_000.5 }],
  ['head', { ...head, headC: -100 }, { ...head, headC: -100.1 }],
  ['head', { ...head, headC: 500 }, { ...head, headC: 500.1 }],
  ['window', { lowC: -100, highC: 144 }, { lowC: -100.1, highC: 144 }],
  ['window', { lowC: 134, highC: 500 }, { lowC: 134, highC: 500.1 }],
  ['window', { lowC: 134, highC: 134.1 }, { lowC: 134, highC: 134 }],
  ['window', { lowC: -100, highC: -99.5 }, { lowC: 500.5, highC: 500 }],
  ['purity', { percent: 0, decimals: 1, by: 'x' }, { percent: -0.1, decimals: 1, by: 'x' }],
  ['purity', { percent: 98, decimals: 1, by: 'x' }, { percent: 98, decimals: 1, by: '' }],
  ['purity', { percent: 98, decimals: 1, by: many('x', 80) }, { percent: 98, decimals: 1, by: many('x', 81) }],
  ['note', { slot: 's', text: 't' }, { slot: '', text: 't' }],
  ['note', { slot: many('s', 40), text: 't' }, { slot: many('s', 41), text: 't' }],
  ['note', { slot: 's', text: many('t', 200) }, { slot: 's', text: many('t', 201) }],
  ['note', { slot: 's', text: 't' }, { slot: 's', text: '' }],
  ['spectrum', { text: many('t', 400), by: 'x' }, { text: many('t', 401), by: 'x' }],
  ['spectrum', { text: 't', by: 'x' }, { text: '', by: 'x' }],
  ['spectrum', { text: 't', by: many('x', 80) }, { text: 't', by: many('x', 81) }],
  ['spectrum', { text: 't', by: 'x' }, { text: 't', by: '' }],
  ['reading', reading('pressure', 'mmHg', 1500), reading('pressure', 'mmHg', 1500.5)],
  ['tube', { tube: 't', event: 'sign' }, { tube: '', event: 'sign' }],
  ['tube', { tube: many('t', 80), event: 'sign' }, { tube: many('t', 81), event: 'sign' }],
  ['spots', { ...spots, frontMM: 300 }, { ...spots, frontMM: 300.1 }],
  ['spots', { frontMM: 0.1, spots: [{ of: 'x', mm: 0 }] }, { frontMM: 0, spots: [{ of: 'x', mm: 0 }] }],
  ['spots', { frontMM: 60, spots: [{ of: 'x', mm: 0 }] }, { frontMM: 60, spots: [{ of: 'x', mm: -0.1 }] }],
  ['spots', { frontMM: 60, spots: [{ of: 'x', mm: 1 }] }, { frontMM: 60, spots: [{ of: '', mm: 1 }] }],
  ['spots', { frontMM: 60, spots: [{ of: many('x', 60), mm: 1 }] }, { frontMM: 60, spots: [{ of: many('x', 61), mm: 1 }] }],
  ['spots', plate(12), plate(13)],
  ['observation', { text: many('t', 400) }, { text: many('t', 401) }],
  [
    'observation',
    { text: '', picture: `data:image/jpeg;base64,${many('A', longestPicture - 23)}` },
    { text: '', picture: `data:image/jpeg;base64,${many('A', longestPicture - 22)}` },
  ],
  ['reading', reading('temperature', '°C', -200), reading('temperature', '°C', -200.1)],
  ['reading', reading('volume', 'mL', 100_000), reading('volume', 'mL', 100_000.5)],
  ['reading', reading('volume', 'mL', 0), reading('volume', 'mL', -0.1)],
  ['reading', reading('pH', '', 14), reading('pH', '', 14.1)],
])('%s: %j is accepted, %j is not', (kind, within, beyond) => {
  expect([accepts(kind, within), accepts(kind, beyond)]).toEqual([true, false])
})

test('a picture is kept under 60 kB', () => expect(longestPicture * 0.75).toBe(60_000))
