import type { Plan } from '@/core/plan/plan'
import { call, CallError } from '../call'
import type { Keeper } from '../run/outbox'
import { Store } from '../store'
import { changeBetween, patched, type Change } from './change'

/** Which revision the plan on the Desk stands on. */
export interface Base {
  id: string
  number: number
  state: 'draft' | 'published' | 'superseded'
  version: number
  savedAt: string
}

export type Saving =
  | { state: 'saved' }
  | { state: 'saving' }
  /** Out of reach of the server; kept on this device and tried again. */
  | { state: 'kept'; why: string }
  /** Refused for what it is; kept, and not tried again until it changes. */
  | { state: 'refused'; why: string }
  /** Another window saved something else. */
  | { state: 'conflict'; theirs: { plan: Plan; base: Base; savedBy: string } }

export interface Draft {
  base: Base
  plan: Plan
  /** True while the server has not confirmed the plan. */
  unsaved: boolean
  past: readonly Change[]
  future: readonly Change[]
  saving: Saving
}

const debounceMs = 400
const retryMs = 3000

/**
 * The draft of one preparation: every change can be undone back to the first, is saved by itself, and survives a reload or the server being away, because
 * plan and history are kept on this device until the server has confirmed them. A change to a published plan starts a draft.
 */
export class DraftKeeper extends Store<Draft> {
  private readonly key: string
  private busy = false
  private timer: ReturnType<typeof setTimeout> | undefined

  constructor(
    private readonly preparation: string,
    private readonly opened: { base: Base; plan: Plan },
    private readonly keeper: () => Keeper,
    private readonly send: typeof call = call,
  ) {
    super({ ...opened, unsaved: false, past: [], future: [], saving: { state: 'saved' } })
    this.key = `mozle-desk-${preparation}`
  }

  /** Takes up what an earlier page left behind: an unsaved plan is sent again, a saved one gets its history back. */
  start(): void {
    const text = this.keeper().getItem(this.key)
    if (!text) return
    const { base } = this.opened
    try {
      const stored = JSON.parse(text) as Omit<Draft, 'saving'>
      const sameRevision = stored.base.id === base.id
      if (stored.unsaved) {
        // Nothing typed is lost: it is sent again, and if another window was faster both are offered.
        this.set({ ...stored, saving: { state: 'saving' } })
        this.soon(0)
      } else if (sameRevision && stored.base.version === base.version) {
        this.set({ ...stored, ...this.opened, saving: { state: 'saved' } })
      } else this.keeper().removeItem(this.key)
    } catch {
      this.keeper().removeItem(this.key)
    }
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
      this.put({ base: theirs.base, unsaved: true, saving: { state: 'saving' } })
      this.soon(0)
    } else {
      const taken = changeBetween(plan, theirs.plan, 'taking the other window’s draft')
      this.put({
        base: theirs.base,
        plan: theirs.plan,
        unsaved: false,
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
    const { plan, base } = this.get()
    this.put({ saving: { state: 'saving' } })
    try {
      const saved =
        base.state === 'draft'
          ? await this.send<Base>(`/api/revisions/${base.id}`, 'PUT', { version: base.version, plan })
          : await this.send<Base>(`/api/preparations/${this.preparation}/drafts`, 'POST', { plan, from: base.id })
      const unsaved = this.get().plan !== plan
      this.put({ base: { ...pickBase(saved), state: 'draft' }, unsaved, saving: { state: unsaved ? 'saving' : 'saved' } })
    } catch (error) {
      this.failed(error as CallError, plan)
    } finally {
      this.busy = false
    }
    const { unsaved, saving } = this.get()
    if (unsaved && (saving.state === 'saved' || saving.state === 'saving')) this.soon()
  }

  private failed({ status, details, message }: CallError, plan: Plan): void {
    const theirs = details?.theirs as (Base & { plan: Plan; savedBy: string }) | undefined
    if (theirs && JSON.stringify(theirs.plan) === JSON.stringify(plan)) {
      // Our own save had arrived; only its answer was lost.
      this.put({ base: pickBase(theirs), unsaved: this.get().plan !== plan, saving: { state: 'saved' } })
    } else if (theirs) {
      this.put({ saving: { state: 'conflict', theirs: { plan: theirs.plan, base: pickBase(theirs), savedBy: theirs.savedBy } } })
    } else if (details?.frozen) {
      // Published meanwhile: the change goes into a new draft.
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
    const next = { ...this.get(), ...part }
    const { saving: _saving, ...kept } = next
    try {
      this.keeper().setItem(this.key, JSON.stringify(kept))
    } catch {
      // Storage is full: the oldest half of the history gives way, the plan never.
      this.keeper().setItem(this.key, JSON.stringify({ ...kept, past: kept.past.slice(Math.ceil(kept.past.length / 2)) }))
    }
    this.set(next)
  }
}

function pickBase({ id, number, state, version, savedAt }: Base): Base {
  return { id, number, state, version, savedAt }
}
