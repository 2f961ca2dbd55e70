import { acetanilide } from '@/test-support/plans'
import { TestLog } from '@/test-support/entries'
import { editLine } from '@/core/edit/editLine'
import type { Plan } from '@/core/plan/plan'
import { CallError, type call } from './call'
import { DraftKeeper } from './desk/draftKeeper'
import type { Base } from './desk/keptDraft'
import { Outbox, type KeptEntry } from './run/outbox'
import type { KeptHere } from './kept/keptHere'
import type { KeptDraft } from './desk/keptDraft'

/** A browser's database in memory. */
function memory<R extends { key: string; about: string }>(): KeptHere<R> & { data: Map<string, R> } {
  const data = new Map<string, R>()
  return {
    data,
    about: async (thing) => [...data.values()].filter(({ about }) => about === thing),
    put: async (record) => void data.set(record.key, structuredClone(record)),
    remove: async (keys) => keys.forEach((key) => data.delete(key)),
  }
}

/** One that is full or forbidden. */
const broken = {
  about: async () => Promise.reject(new Error('forbidden')),
  put: async () => Promise.reject(new Error('full')),
  remove: async () => Promise.reject(new Error('forbidden')),
}

beforeEach(() => jest.useFakeTimers())
afterEach(() => jest.useRealTimers())

describe('the outbox of a bench', () => {
  const log = new TestLog()
  const entry = log.reading('dry', 'empty', 31.2)
  const second = log.reading('dry', 'full', 35.1)
  const third = log.reading('dry', 'full', 35.0)
  const settle = (ms = 10) => jest.advanceTimersByTimeAsync(ms)

  test('what is written while the server is away is kept, and sent when it is back', async () => {
    const kept = memory<KeptEntry>()
    let away = true
    const sent: string[] = []
    const outbox = new Outbox('r', kept, async (entries) => {
      if (away) throw new CallError(0, 'away')
      sent.push(...entries.map(({ id }) => id))
      return []
    })
    outbox.write(entry)
    outbox.write(second)
    await settle(10_000)
    // One record an entry.
    expect([...kept.data.keys()]).toEqual([entry.id, second.id])
    expect(outbox.get()).toMatchObject({ held: undefined, entries: [entry, second], unkept: undefined })
    away = false
    await settle(3000)
    expect(sent).toEqual([entry.id, second.id])
    expect(outbox.get().entries).toEqual([])
    expect(kept.data.size).toBe(0)
  })

  test('a reload takes up what was left, once', async () => {
    const kept = memory<KeptEntry>()
    await kept.put({ key: entry.id, about: 'r', entry })
    await kept.put({ key: third.id, about: 'another run', entry: third })
    const sent: unknown[] = []
    const outbox = new Outbox('r', kept, async (entries) => {
      sent.push(...entries)
      return []
    })
    await Promise.all([outbox.start(), outbox.start()])
    await settle()
    expect(sent).toEqual([entry])
    expect([...kept.data.keys()]).toEqual([third.id])
  })

  test('taken up again, nothing that is known here, was sent or was let go stands twice', async () => {
    const kept = memory<KeptEntry>()
    const sent: string[] = []
    let away = true
    const outbox = new Outbox('r', kept, async (entries) => {
      if (away) throw new CallError(0, 'away')
      sent.push(...entries.map(({ id }) => id))
      return entries.filter(({ id }) => id === second.id).map(({ id }) => ({ id, why: 'No such slot.' }))
    })
    outbox.write(entry)
    outbox.write(second)
    await settle()
    await outbox.start()
    expect(outbox.get().entries).toEqual([entry, second])
    away = false
    await settle(3000)
    expect(outbox.get().refused).toHaveLength(1)
    // A store that gives back what was to be removed, as after a page that ended too early.
    await kept.put({ key: entry.id, about: 'r', entry })
    await outbox.start()
    await settle()
    expect(outbox.get().refused).toHaveLength(1)
    expect(sent).toEqual([entry.id, second.id])
    outbox.drop(second.id)
    await kept.put({ key: second.id, about: 'r', entry: second })
    await outbox.start()
    await settle()
    expect([outbox.get().entries, outbox.get().refused, sent.length]).toEqual([[], [], 2])
  })

  test('two windows of one bench write over nothing of each other, and what a closed one left is taken up', async () => {
    const kept = memory<KeptEntry>()
    const away = async () => {
      throw new CallError(0, 'away')
    }
    const sent: string[] = []
    const [one, two] = [
      new Outbox('r', kept, away),
      new Outbox('r', kept, async (entries) => {
        sent.push(...entries.map(({ id }) => id))
        return []
      }),
    ]
    await Promise.all([one.start(), two.start()])
    one.write(entry)
    two.write(second)
    one.write(third)
    await settle()
    one.stop()
    await two.start()
    await settle()
    expect(sent.sort()).toEqual([entry.id, second.id, third.id].sort())
    expect(kept.data.size).toBe(0)
  })

  test('one that is refused does not hold back the others; it stays with its reason, is sent again or taken off', async () => {
    const kept = memory<KeptEntry>()
    let strict = true
    const booked: string[] = []
    const outbox = new Outbox('r', kept, async (entries) => {
      const no = entries.filter(({ id }) => strict && id === second.id)
      booked.push(...entries.filter((each) => !no.includes(each)).map(({ id }) => id))
      return no.map(({ id }) => ({ id, why: 'takes no volume' }))
    })
    for (const each of [entry, second, third]) outbox.write(each)
    await settle()
    expect(booked).toEqual([entry.id, third.id])
    expect(outbox.get()).toMatchObject({ entries: [], refused: [{ entry: second, why: 'takes no volume' }] })
    // Over a reload it still stands there, and is not sent by itself.
    const after = new Outbox('r', kept, async () => {
      throw new Error('nothing is to be sent')
    })
    await after.start()
    await settle()
    expect(after.get()).toMatchObject({ entries: [], refused: [{ why: 'takes no volume' }] })
    strict = false
    outbox.again(second.id)
    await settle()
    expect(booked).toContain(second.id)
    expect(kept.data.size).toBe(0)
    after.drop(second.id)
    expect(after.get().refused).toEqual([])
  })

  test('where nothing is taken at all, all is kept and the reason is shown', async () => {
    const outbox = new Outbox('r', memory(), async () => {
      throw new CallError(403, 'Not your bench')
    })
    outbox.write(entry)
    await settle()
    expect(outbox.get()).toMatchObject({ entries: [entry], held: 'Not your bench', refused: [] })
    const full = new Outbox('r', memory(), async () => {
      throw new CallError(507, 'The server’s disk is full')
    })
    full.write(entry)
    await settle()
    expect(full.get()).toMatchObject({
      entries: [entry],
      held: expect.stringContaining('your readings are kept on this tablet'),
      refused: [],
    })
    full.stop()
    outbox.stop()
  })

  test('a full or forbidden store is said at once, and what is written is sent all the same', async () => {
    const sent: unknown[] = []
    let away = true
    const outbox = new Outbox('r', broken, async (entries) => {
      if (away) throw new CallError(0, 'away')
      sent.push(...entries)
      return []
    })
    await outbox.start()
    expect(outbox.get().unkept).toMatch(/cannot keep what is written/)
    outbox.write(entry)
    await settle()
    expect(outbox.get().entries).toEqual([entry])
    away = false
    await settle(3000)
    expect(sent).toEqual([entry])
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
  const open = async (
    kept: KeptHere<KeptDraft>,
    { state, send }: ReturnType<typeof server>,
    window = 'w1',
    alive: string[] = [],
  ) => {
    const windows = { own: window, alive: async () => new Set(alive) }
    const draft = new DraftKeeper('p1', { base: state.base, plan: state.plan }, kept, windows, send)
    await draft.start()
    return draft
  }
  const settle = () => jest.advanceTimersByTimeAsync(5000)

  test('saves by itself, and undo and redo go back to the first change and forward again', async () => {
    const place = server()
    const draft = await open(memory(), place)
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

  test('a change that changes nothing is none', async () => {
    const draft = await open(memory(), server())
    draft.change(structuredClone(acetanilide), 'nothing')
    expect(draft.get().past).toEqual([])
  })

  test('a reload keeps plan and history', async () => {
    const [keeper, place] = [memory<KeptDraft>(), server()]
    const before = await open(keeper, place)
    before.change(edited(acetanilide, '5.00 mL'), 'volume of aniline')
    await settle()
    const after = await open(keeper, place)
    expect(after.get().past.map(({ label }) => label)).toEqual(['volume of aniline'])
    after.travel('undo')
    expect(after.get().plan).toEqual(acetanilide)
  })

  test('what is called saved has its history kept: a reload at that moment, with a store that is slow, brings it back', async () => {
    const [store, place] = [memory<KeptDraft>(), server()]
    const slow: KeptHere<KeptDraft> = {
      ...store,
      put: async (...records) => {
        await new Promise((resolve) => setTimeout(resolve, 1500))
        return store.put(...records)
      },
    }
    const before = await open(slow, place)
    for (const text of ['5.00 mL', '6.00 mL']) {
      before.change(edited(before.get().plan, text), 'volume of aniline')
      for (let ms = 0; ms < 10_000 && before.get().saving.state !== 'saved'; ms += 50) await jest.advanceTimersByTimeAsync(50)
      expect(before.get().saving).toEqual({ state: 'saved' })
      const after = await open(store, place)
      expect([text, after.get().past.length]).toEqual([text, before.get().past.length])
    }
  })

  test('a store that never answers keeps nobody waiting for what the server has', async () => {
    const dead = { ...memory<KeptDraft>(), put: () => new Promise<void>(() => undefined) }
    const draft = await open(dead, server())
    draft.change(edited(acetanilide, '5.00 mL'), 'volume of aniline')
    await settle()
    expect(draft.get().saving).toEqual({ state: 'saved' })
  })

  test('ten minutes without the server lose nothing, even over a reload', async () => {
    const [keeper, place] = [memory<KeptDraft>(), server()]
    place.state.away = true
    const before = await open(keeper, place)
    before.change(edited(acetanilide, '5.00 mL'), 'volume of aniline')
    await jest.advanceTimersByTimeAsync(600_000)
    expect(before.get().saving.state).toBe('kept')
    before.stop()
    place.state.away = false
    const after = await open(keeper, place)
    await settle()
    expect(after.get().saving.state).toBe('saved')
    expect(place.state.plan).toEqual(edited(acetanilide, '5.00 mL'))
  })

  test('each window keeps its own: the other’s is left while it is open, and taken up once it is closed', async () => {
    const [kept, place] = [memory<KeptDraft>(), server()]
    place.state.away = true
    const one = await open(kept, place, 'one')
    one.change(edited(acetanilide, '5.00 mL'), 'volume of aniline')
    await settle()
    const two = await open(kept, place, 'two', ['one'])
    expect(two.get().past).toEqual([])
    two.change(edited(acetanilide, '7.00 mL'), 'volume of aniline')
    await settle()
    expect([...kept.data.keys()].sort()).toEqual(['p1 one', 'p1 two'])
    for (const draft of [one, two]) draft.stop()
    await kept.remove(['p1 two'])
    const after = await open(kept, place, 'three')
    expect(after.get().plan).toEqual(edited(acetanilide, '5.00 mL'))
    await settle()
    expect([...kept.data.keys()]).toEqual(['p1 three'])
    after.stop()
  })

  test('a store that fails loses nothing that is typed, and it is said', async () => {
    const place = server()
    const draft = await open(broken, place)
    expect(draft.get().unkept).toBe(true)
    draft.change(edited(acetanilide, '5.00 mL'), 'volume of aniline')
    await settle()
    expect(draft.get()).toMatchObject({ saving: { state: 'saved' }, unkept: true })
    expect(place.state.plan).toEqual(edited(acetanilide, '5.00 mL'))
  })

  test('what was discarded is not kept again', async () => {
    const kept = memory<KeptDraft>()
    const draft = await open(kept, server())
    draft.change(edited(acetanilide, '5.00 mL'), 'volume of aniline')
    await settle()
    draft.discard()
    draft.travel('undo')
    await settle()
    expect(kept.data.size).toBe(0)
    draft.stop()
  })

  test.each(['frozen', 'gone'])('what is %s meanwhile is not written over: the change goes into a new draft', async (how) => {
    const calls: string[] = []
    const send = (async (path: string) => {
      calls.push(path)
      if (path.endsWith('/drafts')) return { ...draftBase, id: 'r3', number: 3 }
      throw new CallError(409, 'published meanwhile', { [how]: true })
    }) as typeof call
    const windows = { own: 'w1', alive: async () => new Set<string>() }
    const draft = new DraftKeeper('p1', { base: draftBase, plan: acetanilide }, memory<KeptDraft>(), windows, send)
    draft.change(edited(acetanilide, '5.00 mL'), 'volume of aniline')
    await settle()
    expect(calls).toEqual(['/api/revisions/r2', '/api/preparations/p1/drafts'])
    expect(draft.get()).toMatchObject({ base: { id: 'r3', state: 'draft' }, unsaved: false, saving: { state: 'saved' } })
    expect(draft.get().plan).toEqual(edited(acetanilide, '5.00 mL'))
    draft.stop()
  })

  test('a lost answer is not a conflict with oneself', async () => {
    const place = server()
    const draft = await open(memory(), place)
    place.state.loseAnswer = true
    draft.change(edited(acetanilide, '5.00 mL'), 'volume of aniline')
    await settle()
    await settle()
    expect(draft.get().saving).toEqual({ state: 'saved' })
    expect(draft.get().base.version).toBe(2)
  })

  test('a lost answer before more is typed is none either, also over a reload', async () => {
    for (const reloads of [false, true]) {
      const [kept, place] = [memory<KeptDraft>(), server()]
      let draft = await open(kept, place)
      place.state.loseAnswer = true
      draft.change(edited(acetanilide, '5.00 mL'), 'volume of aniline')
      await jest.advanceTimersByTimeAsync(500)
      draft.change(edited(draft.get().plan, '6.00 mL'), 'volume of aniline')
      await jest.advanceTimersByTimeAsync(10)
      if (reloads) {
        draft.stop()
        draft = await open(kept, place)
      }
      await settle()
      await settle()
      expect(draft.get()).toMatchObject({ saving: { state: 'saved' }, sent: [], unsaved: false })
      expect(place.state.plan).toEqual(edited(acetanilide, '6.00 mL'))
      draft.stop()
    }
  })

  test('a page that was read before a change arrived shows the change', async () => {
    const [kept, place] = [memory<KeptDraft>(), server()]
    const before = await open(kept, place)
    const stale = structuredClone({ base: place.state.base, plan: place.state.plan })
    before.change(edited(acetanilide, '5.00 mL'), 'volume of aniline')
    await settle()
    const windows = { own: 'w1', alive: async () => new Set<string>() }
    const after = new DraftKeeper('p1', stale, kept, windows, place.send)
    await after.start()
    expect(after.get()).toMatchObject({ plan: place.state.plan, base: place.state.base, saving: { state: 'saved' } })
    after.travel('undo')
    await settle()
    expect(after.get().saving).toEqual({ state: 'saved' })
    expect(place.state.plan).toEqual(acetanilide)
  })

  test.each([
    ['at once', 0, '5.00 mL'],
    ['a minute later', 60_000, undefined],
  ])('a draft that was just started stands on a page that was read before it, %s', async (_, laterMs, volume) => {
    const [kept, place] = [memory<KeptDraft>(), server({ ...draftBase, id: 'r1', number: 1, state: 'published' })]
    const before = await open(kept, place)
    const stale = structuredClone({ base: place.state.base, plan: place.state.plan })
    before.change(edited(acetanilide, '5.00 mL'), 'volume of aniline')
    await settle()
    jest.setSystemTime(Date.parse(place.state.base.savedAt) + laterMs)
    const windows = { own: 'w1', alive: async () => new Set<string>() }
    const after = new DraftKeeper('p1', stale, kept, windows, place.send)
    await after.start()
    expect(after.get().plan).toEqual(volume ? edited(acetanilide, volume) : acetanilide)
    expect(after.get().base.id).toBe(volume ? 'r2' : 'r1')
  })

  test.each([true, false])(
    'an older revision that is looked at stays what it was, a draft of a moment ago and one unsaved apart: unsaved %s',
    async (unsaved) => {
      const [kept, place] = [memory<KeptDraft>(), server({ ...draftBase, id: 'r1', number: 1, state: 'published' })]
      const before = await open(kept, place)
      const looked = structuredClone({ base: place.state.base, plan: place.state.plan })
      before.change(edited(acetanilide, '5.00 mL'), 'volume of aniline')
      if (!unsaved) await settle()
      before.stop()
      jest.setSystemTime(Date.parse(place.state.base.savedAt))
      const windows = { own: 'w1', alive: async () => new Set<string>() }
      const after = new DraftKeeper('p1', { ...looked, older: true }, kept, windows, place.send)
      await after.start()
      expect(after.get()).toMatchObject({ plan: acetanilide, base: { id: 'r1' }, past: [] })
      // It is taken up where the newest is opened.
      expect([...kept.data.values()].map(({ draft }) => draft.plan)).toEqual([edited(acetanilide, '5.00 mL')])
    },
  )

  test.each(['mine', 'theirs'] as const)('two windows: neither is overwritten silently, and “%s” settles it', async (whose) => {
    const place = server()
    const [one, two] = [await open(memory(), place), await open(memory(), place)]
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
    const draft = await open(memory(), place)
    draft.change(edited(acetanilide, '5.00 mL'), 'volume of aniline')
    await settle()
    expect(place.state.calls).toEqual(['/api/preparations/p1/drafts'])
    expect(draft.get().base).toMatchObject({ id: 'r2', state: 'draft' })
    await draft.publish()
    expect(draft.get().base.state).toBe('published')
  })
})
