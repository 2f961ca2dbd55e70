import { CallError } from '../call'
import { WholeKeeper, type Unsent } from './wholeKeeper'

const window = (left: string | null = null): Unsent & { left: string | null } => ({
  left,
  get() {
    return this.left
  },
  put(value) {
    this.left = value
  },
  remove() {
    this.left = null
  },
})

const checked = (value: unknown) => {
  if (typeof value !== 'number') throw new Error('not a number')
  return value
}

/** A server whose answers wait until they are let go, with an error or without. */
function server() {
  const asked: { value: number; answer: (error?: Error) => void }[] = []
  const send = (value: number) =>
    new Promise<void>((resolve, reject) => {
      asked.push({ value, answer: (error) => (error ? reject(error) : resolve()) })
    })
  return { asked, send, values: () => asked.map(({ value }) => value) }
}

const settle = (ms = 0) => jest.advanceTimersByTimeAsync(ms)

beforeEach(() => jest.useFakeTimers())
afterEach(() => jest.useRealTimers())

test('one after the other, and the newest only', async () => {
  const { asked, send, values } = server()
  const unsent = window()
  const keeper = new WholeKeeper(0, send, unsent, checked)
  keeper.write(1)
  keeper.write(2)
  keeper.write(3)
  await settle()
  expect(values()).toEqual([1])
  expect(keeper.state.get()).toEqual({ value: 3, problem: undefined, waiting: true, written: 0 })
  expect(unsent.left).toBe('3')
  asked[0]!.answer()
  await settle()
  expect(values()).toEqual([1, 3])
  // The first has arrived, and what is under way would still be lost by a reload.
  expect(unsent.left).toBe('3')
  asked[1]!.answer()
  await settle(10_000)
  expect(values()).toEqual([1, 3])
  expect(keeper.state.get()).toEqual({ value: 3, problem: undefined, waiting: false, written: 1 })
  expect(unsent.left).toBeNull()
})

test('what is refused goes back to what the server has, with its words', async () => {
  const { asked, send } = server()
  const unsent = window()
  const keeper = new WholeKeeper(0, send, unsent, checked)
  keeper.write(1)
  asked[0]!.answer()
  await settle()
  keeper.write(2)
  asked[1]!.answer(new CallError(400, 'at most 1'))
  await settle(10_000)
  expect(asked).toHaveLength(2)
  expect(keeper.state.get()).toMatchObject({ value: 1, problem: 'at most 1', waiting: false })
  expect(unsent.left).toBeNull()
  // What is written next is judged anew.
  keeper.write(1.5)
  expect(keeper.state.get().problem).toBeUndefined()
})

test('a refusal that was overtaken says nothing', async () => {
  const { asked, send, values } = server()
  const keeper = new WholeKeeper(0, send, window(), checked)
  keeper.write(9)
  keeper.write(1)
  asked[0]!.answer(new CallError(400, 'at most 1'))
  await settle()
  expect(values()).toEqual([9, 1])
  asked[1]!.answer()
  await settle()
  expect(keeper.state.get()).toMatchObject({ value: 1, problem: undefined, waiting: false })
})

test.each([0, 500, 503])('what does not reach the server (%s) stays, says so, and is tried again', async (status) => {
  const { asked, send } = server()
  const unsent = window()
  const keeper = new WholeKeeper(0, send, unsent, checked)
  keeper.write(1)
  asked[0]!.answer(new CallError(status, 'away'))
  await settle(2_999)
  expect(asked).toHaveLength(1)
  expect(keeper.state.get()).toMatchObject({ value: 1, problem: 'away', waiting: true })
  expect(unsent.left).toBe('1')
  await settle(1)
  expect(asked).toHaveLength(2)
  asked[1]!.answer()
  await settle()
  expect(keeper.state.get()).toMatchObject({ value: 1, problem: undefined, waiting: false })
  keeper.write(2)
  asked[2]!.answer(new CallError(status, 'away'))
  await settle()
  keeper.stop()
  await settle(10_000)
  expect(asked).toHaveLength(3)
})

test('a reload takes up what was under way; what cannot be read is forgotten', async () => {
  const { asked, send, values } = server()
  const unsent = window('5')
  const keeper = new WholeKeeper(0, send, unsent, checked)
  keeper.start()
  expect(keeper.state.get().value).toBe(5)
  keeper.start()
  expect(values()).toEqual([5])
  asked[0]!.answer()
  await settle()
  expect(unsent.left).toBeNull()

  for (const left of ['"five"', '{']) {
    const broken = window(left)
    const other = new WholeKeeper(0, send, broken, checked)
    other.start()
    expect(other.state.get()).toMatchObject({ value: 0, waiting: false })
    expect(broken.left).toBeNull()
  }
  expect(asked).toHaveLength(1)
})

test('a store of the browser that is forbidden costs nothing but the reload', async () => {
  const { asked, send } = server()
  const no = () => {
    throw new Error('forbidden')
  }
  const keeper = new WholeKeeper(0, send, { get: no, put: no, remove: no }, checked)
  keeper.start()
  keeper.write(1)
  asked[0]!.answer()
  await settle()
  expect(keeper.state.get()).toMatchObject({ value: 1, waiting: false, written: 1 })
})
