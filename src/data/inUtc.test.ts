import { inUtc } from './inUtc'

test('moments in a statement of our own are in UTC, whatever zone the machine is in; all else stays', () => {
  const at = new Date('2026-12-01T00:05:06.789+02:00')
  const bytes = Buffer.from('a')
  expect(inUtc({ at, list: [at, 'b'], rows: [[at]], none: null, many: 2, bytes })).toEqual({
    at: '2026-11-30 22:05:06.789',
    list: ['2026-11-30 22:05:06.789', 'b'],
    rows: [['2026-11-30 22:05:06.789']],
    none: null,
    many: 2,
    bytes,
  })
})
