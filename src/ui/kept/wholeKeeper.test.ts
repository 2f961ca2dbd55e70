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
  const asked: { value: number; over: readonly number[]; answer: (error?: Error) => void }[] = []
  const send = (value: number, over: readonly number[]) =>
    new Promise<void>((resolve, reject) => {
      asked.push({ value, over, answer: (error) => (error ? reject(error) : resolve()) })
    })
  return { asked, send, values: () => asked.map(({ value }) => value) }
}

const change = (value: unknown, over: unknown[], arrivedAt: number | null = null) => JSON.stringify({ value, over, arrivedAt })
const somebodyElse = (now: unknown) => new CallError(409, 'theirs stands', { error: 'theirs stands', now })

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
  expect(keeper.state.get()).toEqual({ value: 3, waiting: true, written: 0, theirs: 0 })
  expect(unsent.left).toBe(change(3, [0, 1]))
  asked[0]!.answer()
  await settle()
  expect(asked.map(({ value, over }) => [value, over])).toEqual([
    [1, [0]],
    [3, [1]],
  ])
  // The first has arrived, and what is under way would still be lost by a reload.
  expect(unsent.left).toBe(change(3, [1, 3]))
  asked[1]!.answer()
  await settle(10_000)
  expect(values()).toEqual([1, 3])
  expect(keeper.state.get()).toEqual({ value: 3, waiting: false, written: 1, theirs: 0 })
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
  expect(unsent.left).toBe(change(1, [0, 1]))
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

test('a reload takes up what was under way, over what it stood over; what cannot be read is forgotten', async () => {
  const { asked, send, values } = server()
  const unsent = window(change(5, [3, 4]))
  const keeper = new WholeKeeper(4, send, unsent, checked)
  keeper.start()
  expect(keeper.state.get().value).toBe(5)
  keeper.start()
  expect(values()).toEqual([5])
  expect(asked[0]!.over).toEqual([3, 4])
  asked[0]!.answer()
  await settle()
  expect(keeper.state.get()).toMatchObject({ value: 5, waiting: false })

  for (const left of [change('five', [4]), change(5, ['four']), '{', '5', 'null']) {
    const broken = window(left)
    const other = new WholeKeeper(0, send, broken, checked)
    other.start()
    expect(other.state.get()).toMatchObject({ value: 0, waiting: false })
    expect(broken.left).toBeNull()
  }
  expect(asked).toHaveLength(1)
})

test('a page that was read before a change arrived shows the change, and asks whether it still stands', async () => {
  const { asked, send } = server()
  const unsent = window()
  const left = new WholeKeeper(0, send, unsent, checked)
  left.write(1)
  asked[0]!.answer()
  await settle()
  expect(unsent.left).toBe(change(1, [1], Date.now()))

  const stale = new WholeKeeper(0, send, unsent, checked)
  stale.start()
  expect(stale.state.get()).toMatchObject({ value: 1, waiting: true })
  expect(asked[1]).toMatchObject({ value: 1, over: [1] })
  asked[1]!.answer()
  await settle()
  expect(stale.state.get()).toMatchObject({ value: 1, waiting: false })

  // Changed again by somebody else meanwhile: theirs stands, and there is nothing to say of it.
  const later = new WholeKeeper(0, send, unsent, checked)
  later.start()
  asked[2]!.answer(somebodyElse(7))
  await settle()
  expect(later.state.get()).toEqual({ value: 7, waiting: false, written: 0, theirs: 1 })
  expect(unsent.left).toBeNull()
})

test.each([
  ['that has the change', 1, 0],
  ['that comes more than a minute later', 0, 60_001],
])('a page %s asks nothing', async (_, first, laterMs) => {
  const { asked, send } = server()
  const unsent = window(change(1, [1], Date.now()))
  jest.advanceTimersByTime(laterMs)
  const keeper = new WholeKeeper(first, send, unsent, checked)
  keeper.start()
  expect(keeper.state.get()).toMatchObject({ value: first, waiting: false })
  expect(asked).toHaveLength(0)
  expect(unsent.left).toBeNull()
})

test('a page that comes within the minute still asks', () => {
  const { asked, send } = server()
  const unsent = window(change(1, [1], Date.now()))
  jest.advanceTimersByTime(60_000)
  new WholeKeeper(0, send, unsent, checked).start()
  expect(asked).toHaveLength(1)
})

test('where somebody else was first, theirs stands and one’s own is offered', async () => {
  const { asked, send, values } = server()
  const unsent = window()
  const keeper = new WholeKeeper(0, send, unsent, checked)
  keeper.write(1)
  // What was changed after it does not go over theirs unseen either.
  keeper.write(2)
  asked[0]!.answer(somebodyElse(7))
  await settle(10_000)
  expect(values()).toEqual([1])
  expect(keeper.state.get()).toEqual({ value: 7, problem: 'theirs stands', mine: 2, waiting: false, written: 0, theirs: 1 })
  expect(unsent.left).toBeNull()
  keeper.write(2)
  expect(keeper.state.get()).toMatchObject({ value: 2, problem: undefined, mine: undefined })
  expect(asked[1]).toMatchObject({ value: 2, over: [7] })
})

test('what was taken back by hand is a change too', async () => {
  const { asked, send } = server()
  const keeper = new WholeKeeper(0, send, window(), checked)
  keeper.write(1)
  asked[0]!.answer(new CallError(0, 'away'))
  await settle()
  keeper.write(0)
  expect(asked[1]!.over).toEqual([0, 1])
  asked[1]!.answer(somebodyElse(7))
  await settle()
  expect(keeper.state.get()).toMatchObject({ value: 7, problem: 'theirs stands', mine: 0 })
})

test('theirs that cannot be read is not shown', async () => {
  const { asked, send } = server()
  const keeper = new WholeKeeper(0, send, window(), checked)
  keeper.write(1)
  asked[0]!.answer(somebodyElse('seven'))
  await settle()
  expect(keeper.state.get()).toMatchObject({ value: 0, problem: 'theirs stands', waiting: false, theirs: 0 })
})

test('an answer that was lost is no conflict: what was sent may stand', async () => {
  const { asked, send } = server()
  const keeper = new WholeKeeper(0, send, window(), checked)
  for (let value = 1; value <= 12; value++) {
    keeper.write(value)
    asked[value - 1]!.answer(new CallError(0, 'away'))
    await settle()
  }
  expect(asked[3]!.over).toEqual([0, 1, 2, 3])
  // As many as the server takes: what it had first, and the latest.
  expect(asked[11]!.over).toEqual([0, 5, 6, 7, 8, 9, 10, 11])
  keeper.write(13)
  asked[12]!.answer(new CallError(400, 'at most 12'))
  await settle()
  keeper.write(12)
  expect(asked[13]!.over).not.toContain(13)
  asked[13]!.answer()
  await settle()
  keeper.write(1)
  expect(asked[14]!.over).toEqual([12])
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
