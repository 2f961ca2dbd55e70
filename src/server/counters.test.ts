import { noteAppended, takeAppended } from '@/data/appended'
import { counters } from './counters'

test('what is counted stands in the usual text format, without what anybody asked for', async () => {
  let live = 3
  const { registry, answered } = counters(() => live)
  noteAppended('01J0000000000000000000000A', 2)
  answered('GET', 204, 0.01)
  answered('BREW', 404, 0.3)
  const text = await registry.metrics()
  expect(text).toContain('mozle_requests_total{method="GET",status="2xx"} 1')
  expect(text).toContain('mozle_requests_total{method="other",status="4xx"} 1')
  expect(text).toContain('mozle_request_seconds_bucket{le="0.02"} 1')
  expect(text).toContain('mozle_live_streams 3')
  expect(text).toMatch(/mozle_entries_total 2/)
  live = 0
  noteAppended('01J0000000000000000000000A', 1)
  const later = await registry.metrics()
  expect(later).toContain('mozle_live_streams 0')
  expect(later).toMatch(/mozle_entries_total 3/)
  expect(later).not.toContain('01J')
})
test('runs that were written to are taken once', () => {
  takeAppended()
  noteAppended('b', 1)
  noteAppended('b', 1)
  expect(takeAppended()).toEqual(['b'])
  expect(takeAppended()).toEqual([])
})
