import { call, CallError } from './call'

const answering = (status: number, body: string) => {
  const fetched = jest.fn(async () => new Response(body, { status }))
  globalThis.fetch = fetched as never
  return fetched
}
const failure = async (work: Promise<unknown>): Promise<CallError> => {
  try {
    await work
  } catch (error) {
    return error as CallError
  }
  throw new Error('it succeeded')
}

describe('calling the server', () => {
  const before = globalThis.fetch
  afterEach(() => {
    globalThis.fetch = before
  })

  test('sends JSON and gives JSON back', async () => {
    const fetched = answering(200, '{"id":"x"}')
    expect(await call('/api/x', 'POST', { a: 1 })).toEqual({ id: 'x' })
    expect(fetched).toHaveBeenCalledWith('/api/x', {
      method: 'POST',
      body: '{"a":1}',
      headers: { 'content-type': 'application/json' },
    })
  })

  test('sends nothing when there is nothing to send', async () => {
    const fetched = answering(200, '{}')
    await call('/api/x')
    expect(fetched).toHaveBeenCalledWith('/api/x', { method: 'GET' })
  })

  test('a refusal carries its status, its words and what came with it', async () => {
    answering(409, '{"error":"Changed.","theirs":{"version":2}}')
    const error = await failure(call('/api/x', 'PUT', {}))
    expect([error.status, error.message, error.details.theirs]).toEqual([409, 'Changed.', { version: 2 }])
  })

  test('an answer without words still has some', async () => {
    answering(502, '<html>')
    const error = await failure(call('/api/x'))
    expect([error.status, error.message]).toEqual([502, 'The server could not do this.'])
  })

  test('no answer at all is told apart, and says that nothing is lost', async () => {
    globalThis.fetch = (async () => {
      throw new TypeError('network')
    }) as never
    const error = await failure(call('/api/x'))
    expect(error.status).toBe(0)
    expect(error.message).toMatch(/cannot be reached.*still here/)
  })
})
