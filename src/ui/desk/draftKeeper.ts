import type { Plan } from '@/core/plan/plan'
import { call, CallError } from '../call'
import type { KeptHere } from '../kept/keptHere'
import { Store } from '../store'
import type { Base, Draft, KeptDraft, Opened, Windows } from './keptDraft'
import { changeBetween, patched } from './change'

const debounceMs = 400
const retryMs = 3000
/** A store that has not answered by then keeps nobody waiting, ms. */
const longestKeepingMs = 4000
/** So many plans without an answer are remembered. */
const mostSent = 4
/** A page that was asked for before a draft was started does not come later than this, ms. */
const underWayMs = 60_000

/**
 * The draft of one preparation: every change can be undone back to the first, is saved by itself, and survives a reload or the server being away, because
 * plan and history are kept on this device until the server has confirmed them, each window's in a record of its own. A change to a published plan starts a draft.
 */
export class DraftKeeper extends Store<Draft> {
  private busy = false
  private timer: ReturnType<typeof setTimeout> | undefined
  private keeping: Promise<void> | undefined
  private keepAgain = false
  private discarded = false

  constructor(
    private readonly preparation: string,
    private readonly opened: Opened,
    private readonly kept: KeptHere<KeptDraft>,
    private readonly windows: Windows,
    private readonly send: typeof call = call,
  ) {
    super({
      base: opened.base,
      plan: opened.plan,
      unsaved: false,
      sent: [],
      past: [],
      future: [],
      saving: { state: 'saved' },
      unkept: false,
    })
  }

  /** Takes up what an earlier page of this window, or one that is closed by now, left behind: an unsaved plan is sent again, a saved one gets its history back. What was typed since goes first. */
  readonly start = async (): Promise<void> => {
    if (this.opened.older) return
    let records: KeptDraft[]
    try {
      records = await this.kept.about(this.preparation)
    } catch {
      this.set({ ...this.get(), unkept: true })
      return
    }
    if (records.length === 0) return
    const alive = await this.windows.alive()
    const free = records.filter(({ window }) => window === this.windows.own || !alive.has(window))
    const own = free.find(({ window }) => window === this.windows.own)
    const found = own ?? free.find(({ draft }) => draft.unsaved) ?? free.at(-1)
    if (!found || this.get().past.length > 0 || this.get().unsaved) return
    const { base } = this.opened
    const { draft } = found
    const fits = draft.base?.id === base.id && draft.base.version === base.version
    const late = !draft.unsaved && isLater(draft.base, base)
    if (draft.unsaved) {
      // Nothing typed is lost: it is sent again, and if another window was faster both are offered.
      this.put({ ...draft, sent: draft.sent ?? [], saving: { state: 'saving' } })
      this.soon(0)
    } else if (late) this.put({ ...draft, saving: { state: 'saved' } })
    else if (fits) this.put({ ...draft, base, plan: this.opened.plan, saving: { state: 'saved' } })
    const done = free
      .filter((record) => record !== found || !(draft.unsaved || fits || late))
      .filter((record) => !record.draft.unsaved || record === found)
    const keys = [...done, ...(found.window === this.windows.own ? [] : [found])].map(({ key }) => key)
    await this.kept.remove(keys.filter((key) => key !== this.key)).catch(() => undefined)
  }

  private get key(): string {
    return `${this.preparation} ${this.windows.own}`
  }

  /** Forgets what this device keeps, after the draft itself was discarded. */
  readonly discard = (): void => {
    this.discarded = true
    clearTimeout(this.timer)
    void this.kept.remove([this.key]).catch(() => undefined)
  }

  stop(): void {
    clearTimeout(this.timer)
  }

  readonly change = (after: Plan, label: string): void => {
    const { plan, past } = this.get()
    const step = changeBetween(plan, after, label)
    if (step.forward.length === 0) return
    this.put({ plan: after, past: [...past, step], future: [], ...this.unsaved() })
    this.soon()
  }

  readonly travel = (direction: 'undo' | 'redo'): void => {
    const { plan, past, future } = this.get()
    const step = direction === 'undo' ? past.at(-1) : future.at(-1)
    if (!step) return
    this.put({
      plan: patched(plan, direction === 'undo' ? step.back : step.forward),
      ...this.unsaved(),
      past: direction === 'undo' ? past.slice(0, -1) : [...past, step],
      future: direction === 'undo' ? [...future, step] : future.slice(0, -1),
    })
    this.soon()
  }

  /** Settles a conflict: mine is saved over theirs; theirs replaces mine as a change that can be undone. */
  readonly settle = (whose: 'mine' | 'theirs'): void => {
    const { saving, plan, past } = this.get()
    if (saving.state !== 'conflict') return
    const { theirs } = saving
    if (whose === 'mine') {
      this.put({ base: theirs.base, unsaved: true, sent: [], saving: { state: 'saving' } })
      this.soon(0)
    } else {
      const taken = changeBetween(plan, theirs.plan, 'taking the other window’s draft')
      this.put({
        base: theirs.base,
        plan: theirs.plan,
        unsaved: false,
        sent: [],
        past: [...past, taken],
        future: [],
        saving: { state: 'saved' },
      })
    }
  }

  /** Saves what is left to save, then publishes the draft as it is seen here. @throws CallError */
  readonly publish = async (): Promise<void> => {
    await this.save()
    const { base, unsaved } = this.get()
    if (unsaved) throw new CallError(0, 'The draft is not saved yet, so it cannot be published. Try again when it is.')
    const published = await this.send<Base>(`/api/revisions/${base.id}/publish`, 'POST', {
      version: base.version,
      safetyRead: true,
    })
    this.put({ base: { ...base, ...published, state: 'published' } })
  }

  readonly save = async (): Promise<void> => {
    clearTimeout(this.timer)
    if (this.busy || !this.get().unsaved || this.get().saving.state === 'conflict') return
    this.busy = true
    const { plan, base, sent } = this.get()
    this.put({ saving: { state: 'saving' }, sent: [...sent.filter((each) => each !== plan), plan].slice(-mostSent) })
    try {
      const saved =
        base.state === 'draft'
          ? await this.send<Base>(`/api/revisions/${base.id}`, 'PUT', { version: base.version, plan })
          : await this.send<Base>(`/api/preparations/${this.preparation}/drafts`, 'POST', { plan, from: base.id })
      this.put({ base: { ...pickBase(saved), state: 'draft' }, unsaved: this.get().plan !== plan, sent: [] })
      // Its history is found again after a reload only beside the revision that it was saved as: both are kept before it is called saved.
      await this.isKept()
      if (!this.get().unsaved && this.get().saving.state === 'saving') this.set({ ...this.get(), saving: { state: 'saved' } })
    } catch (error) {
      this.failed(error as CallError)
    } finally {
      this.busy = false
    }
    const { unsaved, saving } = this.get()
    if (unsaved && (saving.state === 'saved' || saving.state === 'saving')) this.soon()
  }

  private failed({ status, details, message }: CallError): void {
    const theirs = details?.theirs as (Base & { plan: Plan; savedBy: string }) | undefined
    const same = (own: Plan) => JSON.stringify(theirs?.plan) === JSON.stringify(own)
    if (theirs && this.get().sent.some(same)) {
      // One of our own saves had arrived; only its answer was lost.
      this.put({ base: pickBase(theirs), unsaved: !same(this.get().plan), sent: [], saving: { state: 'saved' } })
    } else if (theirs) {
      this.put({ saving: { state: 'conflict', theirs: { plan: theirs.plan, base: pickBase(theirs), savedBy: theirs.savedBy } } })
    } else if (details?.frozen || details?.gone) {
      // Published or discarded meanwhile: the change goes into a new draft.
      this.put({ base: { ...this.get().base, state: 'published' }, saving: { state: 'saved' } })
    } else if (status >= 400 && status < 500) this.put({ saving: { state: 'refused', why: message } })
    else {
      this.put({ saving: { state: 'kept', why: message } })
      this.soon(retryMs)
    }
  }

  /** A change is on its way as soon as it is made; a conflict stays until it is settled. */
  private unsaved(): Pick<Draft, 'unsaved' | 'saving'> {
    const { saving } = this.get()
    return { unsaved: true, saving: saving.state === 'conflict' ? saving : { state: 'saving' } }
  }

  private soon(ms = debounceMs): void {
    clearTimeout(this.timer)
    this.timer = setTimeout(() => void this.save(), ms)
  }

  private put(part: Partial<Draft>): void {
    this.set({ ...this.get(), ...part })
    this.keep()
  }

  /** Keeps the draft as it is by then; while one is being kept, the next waits and takes the latest. */
  private keep(): void {
    if (this.discarded) return
    if (this.keeping) {
      this.keepAgain = true
      return
    }
    this.keeping = this.keepNow().finally(() => {
      this.keeping = undefined
      if (!this.keepAgain) return
      this.keepAgain = false
      this.keep()
    })
  }

  /** Ends when everything so far is kept, or the store has not answered for a while. */
  private async isKept(): Promise<void> {
    let waits = true
    const late = new Promise<void>((resolve) => setTimeout(resolve, longestKeepingMs)).then(() => void (waits = false))
    while (this.keeping && waits) await Promise.race([this.keeping, late])
  }

  private async keepNow(): Promise<void> {
    const { saving: _saving, unkept, ...draft } = this.get()
    const record = { key: this.key, about: this.preparation, window: this.windows.own }
    try {
      await this.kept.put({ ...record, draft })
    } catch {
      try {
        // The store is full: the oldest half of the history gives way, the plan never.
        await this.kept.put({ ...record, draft: { ...draft, past: draft.past.slice(Math.ceil(draft.past.length / 2)) } })
      } catch {
        this.set({ ...this.get(), unkept: true })
        return
      }
    }
    if (unkept) this.set({ ...this.get(), unkept: false })
  }
}

/** Whether a page was read before what this window has saved since. */
function isLater(saved: Base, opened: Base): boolean {
  if (saved.id === opened.id) return saved.version > opened.version
  const started = saved.state === 'draft' && opened.state !== 'draft' && saved.number > opened.number
  // One that was discarded elsewhere is not brought back.
  return started && Date.now() - Date.parse(saved.savedAt) < underWayMs
}

function pickBase({ id, number, state, version, savedAt }: Base): Base {
  return { id, number, state, version, savedAt }
}
