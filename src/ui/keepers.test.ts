import { acetanilide } from '@/test-support/plans'
import { TestLog } from '@/test-support/entries'
import { editLine } from '@/core/reaction/editLine'
import type { Plan } from '@/core/plan/plan'
import { CallError, type call } from './call'
import { DraftKeeper, type Base } from './desk/draftKeeper'
import { Outbox, type Keeper } from './run/outbox'

/** A browser's storage in memory. */
function memory(): Keeper & { data: Map<string, string> } {
  const data = new Map<string, string>()
  return {
    data,
    getItem: (key) => data.get(key) ?? null,
    setItem: (key, value) => void data.set(key, value),
    removeItem: (key) => void data.delete(key),
  }
}

beforeEach(() => jest.useFakeTimers())
afterEach(() => jest.useRealTimers())

describe('the outbox of a bench', () => {
  const entry = new TestLog().reading('dry', 'empty', 31.2)

  test('what is written while the server is away is kept, and sent when it is back', async () => {
    const keeper = memory()
    let away = true
    const sent: string[] = []
    const outbox = new Outbox(
      'k',
      () => keeper,
      async (entries) => {
        if (away) throw new CallError(0, 'away')
        sent.push(...entries.map(({ id }) => id))
      },
    )
    outbox.write(entry)
    await jest.advanceTimersByTimeAsync(10_000)
    expect(keeper.data.get('k')).toContain(entry.id)
    expect(outbox.get()).toMatchObject({ refused: undefined, entries: [entry] })
    away = false
    await jest.advanceTimersByTimeAsync(3000)
    expect(sent).toEqual([entry.id])
    expect(outbox.get().entries).toEqual([])
    expect(keeper.data.has('k')).toBe(false)
  })

  test('a reload takes up what was left', async () => {
    const keeper = memory()
    keeper.setItem('k', JSON.stringify([entry]))
    const sent: unknown[] = []
    const outbox = new Outbox(
      'k',
      () => keeper,
      async (entries) => void sent.push(...entries),
    )
    outbox.start()
    outbox.start()
    await jest.advanceTimersByTimeAsync(10)
    expect(sent).toEqual([entry])
  })

  test('what the server refuses is kept and the reason is shown', async () => {
    const outbox = new Outbox('k', memory, async () => {
      throw new CallError(403, 'Not your bench')
    })
    outbox.write(entry)
    await jest.advanceTimersByTimeAsync(10)
    expect(outbox.get()).toEqual({ entries: [entry], refused: 'Not your bench' })
    outbox.stop()
  })

  test('broken storage is put aside', () => {
    const keeper = memory()
    keeper.setItem('k', '{')
    const outbox = new Outbox(
      'k',
      () => keeper,
      async () => {},
    )
    outbox.start()
    expect(outbox.get().entries).toEqual([])
  })
})

describe('the draft on the Desk', () => {
  const draftBase: Base = { id: 'r2', number: 2, state: 'draft', version: 1, savedAt: '2026-11-17T13:00:00Z' }
  const edited = (plan: Plan, text: string) => {
    const read = editLine(plan, 'aniline', 'volume', text)
    if (!read.ok) throw new Error(read.problem)
    return read.value
  }
  /** A server with one draft, as the keeper sees it. */
  function server(start: Base = draftBase) {
    const state = { base: start, plan: acetanilide, away: false, loseAnswer: false, calls: [] as string[] }
    const send = (async (path: string, _method: string, body: { version?: number; plan?: Plan }) => {
      state.calls.push(path)
      if (state.away) throw new CallError(0, 'The server cannot be reached.')
      if (path.endsWith('/publish')) return { ...state.base, state: 'published' }
      const drafts = path.endsWith('/drafts')
      if (!drafts && body.version !== state.base.version) {
        throw new CallError(409, 'changed', { theirs: { ...state.base, plan: state.plan, savedBy: 'Ilse Varga' } })
      }
      state.base = drafts ? { ...draftBase } : { ...state.base, version: state.base.version + 1 }
      state.plan = body.plan!
      if (state.loseAnswer) {
        state.loseAnswer = false
        throw new CallError(0, 'lost')
      }
      return state.base
    }) as typeof call
    return { state, send }
  }
  const open = (keeper: Keeper, { state, send }: ReturnType<typeof server>) => {
    const draft = new DraftKeeper('p1', { base: state.base, plan: state.plan }, () => keeper, send)
    draft.start()
    return draft
  }
  const settle = () => jest.advanceTimersByTimeAsync(5000)

  test('saves by itself, and undo and redo go back to the first change and forward again', async () => {
    const place = server()
    const draft = open(memory(), place)
    draft.change(edited(acetanilide, '5.00 mL'), 'volume of aniline')
    draft.change(edited(draft.get().plan, '6.00 mL'), 'volume of aniline')
    await settle()
    expect(draft.get().saving).toEqual({ state: 'saved' })
    expect(place.state.plan).toEqual(edited(acetanilide, '6.00 mL'))
    draft.travel('undo')
    draft.travel('undo')
    draft.travel('undo')
    expect(draft.get().plan).toEqual(acetanilide)
    draft.travel('redo')
    draft.travel('redo')
    await settle()
    expect(place.state.plan).toEqual(edited(acetanilide, '6.00 mL'))
  })

  test('a change that changes nothing is none', () => {
    const draft = open(memory(), server())
    draft.change(structuredClone(acetanilide), 'nothing')
    expect(draft.get().past).toEqual([])
  })

  test('a reload keeps plan and history', async () => {
    const [keeper, place] = [memory(), server()]
    const before = open(keeper, place)
    before.change(edited(acetanilide, '5.00 mL'), 'volume of aniline')
    await settle()
    const after = open(keeper, place)
    expect(after.get().past.map(({ label }) => label)).toEqual(['volume of aniline'])
    after.travel('undo')
    expect(after.get().plan).toEqual(acetanilide)
  })

  test('ten minutes without the server lose nothing, even over a reload', async () => {
    const [keeper, place] = [memory(), server()]
    place.state.away = true
    const before = open(keeper, place)
    before.change(edited(acetanilide, '5.00 mL'), 'volume of aniline')
    await jest.advanceTimersByTimeAsync(600_000)
    expect(before.get().saving.state).toBe('kept')
    before.stop()
    place.state.away = false
    const after = open(keeper, place)
    await settle()
    expect(after.get().saving.state).toBe('saved')
    expect(place.state.plan).toEqual(edited(acetanilide, '5.00 mL'))
  })

  test('a lost answer is not a conflict with oneself', async () => {
    const place = server()
    const draft = open(memory(), place)
    place.state.loseAnswer = true
    draft.change(edited(acetanilide, '5.00 mL'), 'volume of aniline')
    await settle()
    await settle()
    expect(draft.get().saving).toEqual({ state: 'saved' })
    expect(draft.get().base.version).toBe(2)
  })

  test.each(['mine', 'theirs'] as const)('two windows: neither is overwritten silently, and “%s” settles it', async (whose) => {
    const place = server()
    const [one, two] = [open(memory(), place), open(memory(), place)]
    one.change(edited(acetanilide, '5.00 mL'), 'volume of aniline')
    await settle()
    two.change(edited(acetanilide, '7.00 mL'), 'volume of aniline')
    await settle()
    expect(two.get().saving).toMatchObject({ state: 'conflict', theirs: { savedBy: 'Ilse Varga' } })
    two.settle(whose)
    await settle()
    expect(two.get().saving).toEqual({ state: 'saved' })
    expect(place.state.plan).toEqual(edited(acetanilide, whose === 'mine' ? '7.00 mL' : '5.00 mL'))
    if (whose === 'theirs') {
      two.travel('undo')
      expect(two.get().plan).toEqual(edited(acetanilide, '7.00 mL'))
    }
    for (const draft of [one, two]) draft.stop()
  })

  test('a change to a published plan starts a draft; publishing freezes it', async () => {
    const place = server({ ...draftBase, id: 'r1', number: 1, state: 'published' })
    const draft = open(memory(), place)
    draft.change(edited(acetanilide, '5.00 mL'), 'volume of aniline')
    await settle()
    expect(place.state.calls).toEqual(['/api/preparations/p1/drafts'])
    expect(draft.get().base).toMatchObject({ id: 'r2', state: 'draft' })
    await draft.publish()
    expect(draft.get().base.state).toBe('published')
  })
})
