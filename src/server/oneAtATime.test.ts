import { OneAtATime } from './oneAtATime'

const later = () => {
  let go = () => undefined as void
  const task = new Promise<void>((resolve) => (go = resolve))
  return { task: () => task, go }
}

test('never two at once, who is known before strangers, and a failure holds nobody up', async () => {
  const turns = new OneAtATime()
  const order: string[] = []
  let running = 0
  const named = (name: string, isKnown: boolean, fails = false) =>
    turns
      .run(async () => {
        expect((running += 1)).toBe(1)
        await new Promise((resolve) => setTimeout(resolve, 2))
        order.push(name)
        running -= 1
        if (fails) throw new Error(name)
      }, isKnown)
      .catch(() => undefined)
  await Promise.all([
    named('first stranger', false),
    named('second stranger', false, true),
    named('third stranger', false),
    named('one who is known', true),
  ])
  expect(order).toEqual(['first stranger', 'one who is known', 'second stranger', 'third stranger'])
})

test('sixty wait; the next is told so at once, and who is known still finds a place', async () => {
  const turns = new OneAtATime()
  const held = later()
  const all = [turns.run(held.task, false)]
  for (let index = 0; index < 60; index++) all.push(turns.run(() => Promise.resolve(), false))
  await expect(turns.run(() => Promise.resolve(), false)).rejects.toThrow(/Very many sign in/)
  all.push(turns.run(() => Promise.resolve(), true))
  held.go()
  await Promise.all(all)
  await turns.run(() => Promise.resolve(), false)
})
