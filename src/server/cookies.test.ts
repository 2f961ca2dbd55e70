import { sealData } from 'iron-session'
import { readCookie } from './cookies'

let jar: Record<string, string> = {}
jest.mock('next/headers', () => ({
  cookies: async () => ({ get: (name: string) => (name in jar ? { value: jar[name] } : undefined) }),
  headers: async () => new Headers(),
}))

const password = 'k'.repeat(40)
const seal = (data: object, ttl = 60) => sealData(data, { password, ttl })

beforeEach(() => {
  jar = {}
  process.env.MOZLE_COOKIE_KEY = password
})

test('a cookie says what was sealed into it, the first time and every time after', async () => {
  jar['mozle-user'] = await seal({ signIn: 's1' })
  expect(await readCookie('user')).toEqual({ signIn: 's1' })
  expect(await readCookie('user')).toEqual({ signIn: 's1' })
  jar['mozle-user'] = await seal({ signIn: 's2' })
  expect(await readCookie('user')).toEqual({ signIn: 's2' })
})

test('none, one that was changed on the way, and one under another key say nothing', async () => {
  expect(await readCookie('user')).toEqual({})
  const good = await seal({ signIn: 's1' })
  jar['mozle-user'] = `${good.slice(0, -8)}AAAAAAAA`
  expect(await readCookie('user')).toEqual({})
  jar['mozle-user'] = await sealData({ signIn: 's1' }, { password: 'x'.repeat(40) })
  expect(await readCookie('user')).toEqual({})
})

test('one that is too old says nothing, also when it was opened before', async () => {
  jest.useFakeTimers({ doNotFake: ['queueMicrotask', 'setImmediate', 'nextTick'] })
  const hours = 3_600_000
  jar['mozle-user'] = await sealData({ signIn: 's3' }, { password, ttl: 12 * 3600 })
  expect(await readCookie('user')).toEqual({ signIn: 's3' })
  jest.setSystemTime(Date.now() + 12.1 * hours)
  expect(await readCookie('user')).toEqual({})
  jest.useRealTimers()
})

test('without a key nothing is opened', async () => {
  jar['mozle-user'] = await seal({ signIn: 's1' })
  delete process.env.MOZLE_COOKIE_KEY
  await expect(readCookie('user')).rejects.toThrow('./mozle')
})
