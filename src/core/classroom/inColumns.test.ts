import type { Outcome } from '../result/outcome'
import { inColumns } from './inColumns'

const shown = { product: 'pure', crude: 'crude' }
const all = { counts: true, recovers: false, crystallises: true, melts: true, shown } as Parameters<typeof inColumns>[0]
const found = (quantity: string, sample: string, counts?: Outcome['counts']) =>
  ({ quantity, sample, counts }) as Parameters<typeof inColumns>[1]
const columns = (of: Partial<typeof all>, ...outcome: Parameters<typeof found>) => inColumns({ ...all, ...of }, found(...outcome))

test('yields of the product and of its crude sample stand in the columns, of any other sample below', () => {
  expect(columns({}, 'yield', 'pure')).toBe(true)
  expect(columns({}, 'yield', 'crude')).toBe(true)
  expect(columns({}, 'yield', 'salt')).toBe(false)
  expect(columns({ counts: false }, 'yield', 'pure')).toBe(false)
  expect(columns({ recovers: true }, 'yield', 'pure')).toBe(false)
})

test('the melting range of the product stands in its column, that of the crude sample below', () => {
  expect(columns({}, 'melting range', 'pure')).toBe(true)
  expect(columns({}, 'melting range', 'crude')).toBe(false)
  expect(columns({ melts: false }, 'melting range', 'pure')).toBe(false)
})

test('a recovery stands in the column of what it counts from', () => {
  expect(columns({}, 'recovery', 'pure', { sample: 'crude' })).toBe(true)
  expect(columns({ crystallises: false }, 'recovery', 'pure', { sample: 'crude' })).toBe(false)
  expect(columns({}, 'recovery', 'pure', { line: 'material' })).toBe(false)
  expect(columns({ recovers: true }, 'recovery', 'pure', { line: 'material' })).toBe(true)
  expect(columns({}, 'recovery', 'other', { sample: 'crude' })).toBe(false)
  expect(columns({}, 'recovery', 'pure')).toBe(false)
})

test('what has no column stands below', () => expect(columns({}, 'refractive index', 'pure')).toBe(false))
