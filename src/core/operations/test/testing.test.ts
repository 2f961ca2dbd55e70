import { slots, slotsOf } from '../send/sampleSlots'
import { panelFor, panelLacks, testMethodOf, testMethods } from './testPanel'

test('a panel is read against a control and a blank', () => {
  const panel = panelFor([{ what: 'crude', expect: 'positive' }], 'benzaldehyde')
  expect(panel.map(({ holds }) => holds)).toEqual(['sample', 'control', 'blank'])
  expect(panelLacks(panel)).toEqual([])
  expect(panelLacks(panel.slice(0, 1))).toHaveLength(2)
  expect(panelLacks([])[0]).toBe('a sample')
})

test('every method has a name of its own and can be found by it', () => {
  for (const method of testMethods) expect(testMethodOf(method.name)).toBe(method)
  expect(() => testMethodOf('taste')).toThrow('taste')
})

test('a tray of 48: bench 2 with two samples has A3 and A4, bench 24 the last two, bench 25 none', () => {
  expect(slots).toHaveLength(48)
  expect(slotsOf(2, 2)).toEqual(['A3', 'A4'])
  expect(slotsOf(24, 2)).toEqual(['F7', 'F8'])
  expect(slotsOf(25, 2)).toBeNull()
  expect(() => slotsOf(0, 1)).toThrow('whole numbers')
})
