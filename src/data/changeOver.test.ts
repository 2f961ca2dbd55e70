import type { Sequelize } from 'sequelize'
import { changesOver, standsAt } from './changeOver'

/** Three servers played by stand-ins: which of them answer, and which belong to their cluster. */
function played() {
  const up = new Set([1, 2, 3])
  const apart = new Set<number>()
  const asked: number[] = []
  const manager = {
    connect: async ({ port }: { port: number }) => {
      asked.push(port)
      if (!up.has(port)) throw new Error(`${port} is down`)
      return {
        port,
        isValid: () => true,
        destroy: () => undefined,
        query: async () => {
          if (apart.has(port)) throw Object.assign(new Error('apart'), { errno: 1047 })
        },
      }
    },
  }
  changesOver(
    { connectionManager: manager } as unknown as Sequelize,
    [1, 2, 3].map((port) => ({ host: '127.0.0.1', port })),
  )
  const connect = () =>
    manager.connect({} as never) as unknown as Promise<{ port: number; query: (sql: string) => Promise<unknown> }>
  return { up, apart, asked, connect }
}
afterEach(() => jest.useRealTimers())

test('the first that answers is taken, and one that did not is asked last for a while', async () => {
  jest.useFakeTimers({ now: 10_000 })
  const { up, asked, connect } = played()
  expect((await connect()).port).toBe(1)
  up.delete(1)
  expect((await connect()).port).toBe(2)
  asked.length = 0
  expect((await connect()).port).toBe(2)
  expect(asked).toEqual([2])
  up.add(1)
  jest.setSystemTime(14_999)
  expect((await connect()).port).toBe(2)
  jest.setSystemTime(15_001)
  expect((await connect()).port).toBe(1)
  up.clear()
  asked.length = 0
  await expect(connect()).rejects.toThrow('3 is down')
  expect(asked).toEqual([1, 2, 3])
  // All of them failed a moment ago, and each may be back.
  up.add(3)
  expect((await connect()).port).toBe(3)
})

test('one that takes connections and is not part of the cluster is passed over', async () => {
  const { apart, connect } = played()
  apart.add(1)
  expect((await connect()).port).toBe(2)
})

test('a connection at a server that left its cluster is not used again while it is avoided', async () => {
  jest.useFakeTimers({ now: 10_000 })
  const { apart, connect } = played()
  const [one, two] = [await connect(), await connect()]
  expect([standsAt(one), standsAt(two)]).toEqual([true, true])
  apart.add(1)
  await expect(one.query('SELECT 1')).rejects.toThrow('apart')
  expect([standsAt(one), standsAt(two)]).toEqual([false, false])
  expect((await connect()).port).toBe(2)
  jest.setSystemTime(15_001)
  expect(standsAt(two)).toBe(true)
})
