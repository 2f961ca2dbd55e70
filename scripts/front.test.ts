import { answerHeader, answerTo, nameAnswer } from '@/server/openAnswers'
import { forgetInner, refusedAtDoor, isLive, sayAlways, sayWhoAsks } from './front'

const heads = (headers: Record<string, string>, peer: string, trusted: string[] = []) => {
  const request = { headers: { ...headers } as Record<string, string | undefined> }
  sayWhoAsks(request as never, peer, new Set(trusted))
  return request.headers
}

test('a client cannot say where it comes from', () => {
  const found = heads(
    { 'x-forwarded-for': '1.2.3.4', 'x-forwarded-proto': 'https', 'x-forwarded-host': 'evil.example', 'x-real-ip': '1.1.1.1' },
    '10.0.0.9',
  )
  expect(found).toEqual({ 'x-forwarded-for': '10.0.0.9', 'x-forwarded-proto': 'http' })
})

test('a proxy that is named can, and only for the address that it saw itself', () => {
  const trusted = ['10.0.0.1', '10.0.0.2']
  const found = heads(
    { 'x-forwarded-for': '6.6.6.6, 192.0.2.7, 10.0.0.2', 'x-forwarded-proto': 'https', 'x-forwarded-host': 'lab.example' },
    '10.0.0.1',
    trusted,
  )
  expect(found).toMatchObject({ 'x-forwarded-for': '192.0.2.7', 'x-forwarded-proto': 'https', 'x-forwarded-host': 'lab.example' })
  expect(heads({}, '10.0.0.1', trusted)['x-forwarded-for']).toBe('10.0.0.1')
})

test('every answer has the headers, before anything else is known of it', () => {
  const set = new Map<string, string>()
  sayAlways({ setHeader: (name: string, value: string) => void set.set(name, value) } as never)
  expect(set.get('cache-control')).toBe('no-store')
  expect(set.get('x-content-type-options')).toBe('nosniff')
  expect(set.get('content-security-policy')).toMatch(/default-src 'none'/)
  set.clear()
  sayAlways({ setHeader: (name: string, value: string) => void set.set(name, value) } as never, '/_next/static/chunks/a.js')
  expect([set.has('cache-control'), set.get('x-content-type-options')]).toEqual([false, 'nosniff'])
  expect(set.get('content-security-policy')).toMatch(/script-src 'self'/)
})

test.each([
  ['/api/sessions/01J/live', true],
  ['/api/runs/01J/live?seen=%7B%7D', true],
  ['/api/runs/01J/entries', false],
  ['/class/live', false],
  ['/api/x?y=/live', false],
  [undefined, false],
])('%s is a stream: %s', (url, live) => expect(isLive(url)).toBe(live))

test('an answer has a name while it is open, and nobody else’s', () => {
  const [one, two] = [0, 1].map(() => ({ headersSent: false, writableLength: 0, write: () => true }))
  const [first, second] = [nameAnswer(one!), nameAnswer(two!)]
  const asked = (name: string) => answerTo(new Request('http://here', { headers: { [answerHeader]: name } }))
  expect([asked(first.name), asked(second.name)]).toEqual([one, two])
  first.closed()
  expect([asked(first.name), answerTo(new Request('http://here'))]).toEqual([undefined, undefined])
  second.closed()
})

describe('what no page of ours takes', () => {
  const asked = (url: string, method = 'GET', headers: Record<string, string> = {}) =>
    refusedAtDoor({ url, method, headers })?.status ?? null
  test.each([
    ['/desk/%', 400],
    ['/desk/%zz', 400],
    ['/desk/%c3%28', 400],
    ['/desk/a%00b', 400],
    ['/desk\\..\\x', 400],
    ['*', 400],
    ['http://elsewhere.example/desk', 400],
    [`/${'a'.repeat(4001)}`, 400],
    ['/desk/%E2%80%93?q=%', null],
    ['/desk', null],
    ['/', null],
  ])('%s', (url, status) => expect(asked(url)).toBe(status))
  test.each(['PROPFIND', 'TRACE', 'CONNECT', 'get', '', 'M-SEARCH'])('the method %s', (method) =>
    expect(asked('/desk', method)).toBe(405),
  )
  test.each([
    ['%5B%22%22%2C%7B%22children%22%3A%5B%22desk%22%2C%7B%7D%5D%7D%5D', null],
    [
      encodeURIComponent(
        JSON.stringify(['', { children: [['id', '01J', 'd', null], { children: ['__PAGE__', {}] }] }, null, null, true]),
      ),
      null,
    ],
    ['[', 400],
    ['%', 400],
    ['null', 400],
    ['["",{"children":7}]', 400],
    [JSON.stringify(['', {}, null]).replace('{}', '[]'), 400],
  ])('the router’s header %s', (tree, status) => expect(asked('/desk', 'GET', { 'next-router-state-tree': tree })).toBe(status))
  test('headers with which the framework speaks to itself do not come from outside', () => {
    const headers: Record<string, string> = { 'next-action': 'x', 'x-middleware-subrequest': 'y', accept: 'z' }
    forgetInner({ headers })
    expect(headers).toEqual({ accept: 'z' })
  })
})
