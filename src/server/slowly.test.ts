import { slowly } from './slowly'

test('everything is done in its order, and others are served meanwhile', async () => {
  let served = 0
  const timer = setInterval(() => (served += 1), 1)
  const busy = (ms: number) => {
    for (const until = performance.now() + ms; performance.now() < until;);
  }
  const done = await slowly([1, 2, 3, 4, 5, 6], (each, index) => {
    busy(9)
    return [each, index]
  })
  clearInterval(timer)
  expect(done).toEqual([1, 2, 3, 4, 5, 6].map((each, index) => [each, index]))
  expect(served).toBeGreaterThan(3)
})
