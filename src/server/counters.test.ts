import { noteAppended, pace } from '@/data/appended'
import { counters } from './counters'

test('what is counted stands in the usual text format, without what anybody asked for', async () => {
  let live = 3
  const { registry, answered } = counters(() => live)
  noteAppended(2)
  answered('GET', 204, 0.01)
  answered('BREW', 404, 0.3)
  const text = await registry.metrics()
  expect(text).toContain('mozle_requests_total{method="GET",status="2xx"} 1')
  expect(text).toContain('mozle_requests_total{method="other",status="4xx"} 1')
  expect(text).toContain('mozle_request_seconds_bucket{le="0.02"} 1')
  expect(text).toContain('mozle_live_streams 3')
  expect(text).toMatch(/mozle_entries_total 2/)
  live = 0
  noteAppended(1)
  const later = await registry.metrics()
  expect(later).toContain('mozle_live_streams 0')
  expect(later).toMatch(/mozle_entries_total 3/)
  expect(later).not.toContain('01J')
})

test('entries a minute: the last whole one, and the busiest of the hour', () => {
  const minute = 60_000
  const at = 30_000_000 * minute
  noteAppended(5, at)
  noteAppended(2, at + 2 * minute)
  noteAppended(1, at + 2 * minute + 59_999)
  noteAppended(9, at + 3 * minute)
  expect(pace(at + 3 * minute + 1)).toEqual({ lastMinute: 3, busiest: 9 })
  expect(pace(at + 61 * minute)).toEqual({ lastMinute: 0, busiest: 9 })
  expect(pace(at + 63 * minute)).toEqual({ lastMinute: 0, busiest: 0 })
})
