import { thin } from './thin'

describe('points of a picture', () => {
  const x = Array.from({ length: 20_000 }, (_, index) => index)
  const y = x.map((each) => (each === 7777 ? 1000 : each % 7))
  test('are few, and the one peak is among them', () => {
    const points = thin(x, y, 0, 20_000)
    expect(points.length).toBeLessThanOrEqual(1200)
    expect(points.some(({ x: at, y: value }) => at === 7777 && value === 1000)).toBe(true)
    expect(points.every((point, index) => index === 0 || point.x >= points[index - 1]!.x)).toBe(true)
  })
  test('all of them where they are few', () => expect(thin(x, y, 100, 110)).toHaveLength(11))
})
