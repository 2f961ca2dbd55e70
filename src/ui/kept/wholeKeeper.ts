import { CallError } from '../call'
import { Store } from '../store'

/** What stands on the page of a thing that is written whole with every change. */
export interface Whole<T> {
  value: T
  /** Why the last change could not be written, in words. */
  problem: string | undefined
  /** What was not written since somebody else had changed the thing meanwhile. */
  mine: T | undefined
  /** True from a change until the server has it. */
  waiting: boolean
  /** How often the server has taken one since the page was opened. */
  written: number
  /** How often what somebody else wrote came to stand here. */
  theirs: number
}

/** Where one value of this window outlasts a reload. */
export interface Unsent {
  get: () => string | null
  put: (value: string) => void
  remove: () => void
}

/** What is kept of a change: with what it may stand over, and when it arrived. */
interface Kept {
  value: unknown
  over: unknown[]
  arrivedAt: number | null
}

/** How long after a failure of the server or the network it is asked again, ms. */
const againMs = 3_000
/** A page that was asked for before a change arrived does not come later than this, ms. */
const underWayMs = 60_000
/** Of so many values the server may have one, where answers were lost; as many as it takes (server/whole.ts). */
const mostOver = 8

/**
 * Writes a thing whole with each change, one after the other and the newest only: two that are under way together could arrive in the other order.
 * Each says what it knows to stand at the server, so that it never goes over what somebody else has written: theirs stands then, and one's own is offered.
 * What the server refuses goes back to what it has; what does not reach it stays, is tried again, and is taken up after a reload. So is what
 * arrived while a page was loading, since that page may have been read before.
 */
export class WholeKeeper<T> {
  readonly state: Store<Whole<T>>
  /** One of these stands at the server: what it had, and what was sent without an answer. */
  private over: T[]
  private newest: T
  private sending = false
  private again: ReturnType<typeof setTimeout> | undefined

  constructor(
    private readonly first: T,
    private readonly send: (value: T, over: readonly T[]) => Promise<unknown>,
    private readonly unsent: Unsent,
    private readonly checked: (value: unknown) => T,
  ) {
    this.over = [first]
    this.newest = first
    this.state = new Store<Whole<T>>({
      value: first,
      problem: undefined,
      mine: undefined,
      waiting: false,
      written: 0,
      theirs: 0,
    })
  }

  /** Takes up what was under way when the page was left. What cannot be read any more is forgotten. */
  readonly start = (): void => {
    const left = quietly(() => this.unsent.get())
    if (!left || this.state.get().waiting) return
    try {
      const { value, over, arrivedAt } = JSON.parse(left) as Kept
      const stands = sameText(value, this.first)
      const late = arrivedAt !== null && Date.now() - arrivedAt > underWayMs
      if (stands || late) return void quietly(() => this.unsent.remove())
      // What had arrived stands over itself alone: the server says whether it still does.
      this.over = (arrivedAt === null ? over : [value]).map(this.checked)
      this.change(this.checked(value))
    } catch {
      quietly(() => this.unsent.remove())
    }
  }

  readonly stop = (): void => clearTimeout(this.again)

  readonly write = (value: T): void => this.change(value)

  private change(value: T): void {
    this.newest = value
    this.state.set({ ...this.state.get(), value, problem: undefined, mine: undefined, waiting: true })
    this.keep(null)
    clearTimeout(this.again)
    if (!this.sending) void this.sendNewest()
  }

  private keep(arrivedAt: number | null): void {
    const kept: Kept = { value: this.newest, over: this.over, arrivedAt }
    quietly(() => this.unsent.put(JSON.stringify(kept)))
  }

  private async sendNewest(): Promise<void> {
    const value = this.newest
    const over = this.over
    this.sending = true
    this.over = [over[0]!, ...[...over.slice(1).filter((each) => each !== value), value].slice(1 - mostOver)]
    this.keep(null)
    let failed: unknown
    try {
      await this.send(value, over)
      this.over = [value]
    } catch (error) {
      failed = error
      if (refused(error)) this.over = over
    }
    this.sending = false
    if (refused(failed) && 'now' in failed.details) return this.stepBack(failed, over)
    if (value !== this.newest) return this.sendNewest()
    const now = this.state.get()
    if (failed === undefined) {
      this.keep(Date.now())
      this.state.set({ ...now, problem: undefined, waiting: false, written: now.written + 1 })
    } else if (refused(failed)) this.settle({ ...now, value: over[0]!, problem: failed.message, waiting: false })
    else {
      this.state.set({ ...now, problem: (failed as Error).message })
      this.again = setTimeout(() => void this.sendNewest(), againMs)
    }
  }

  /** Somebody else was first: theirs stands, and what was not written is offered. */
  private stepBack(failed: CallError, over: readonly T[]): void {
    const now = this.state.get()
    const asked = over.every((each) => sameText(each, this.newest))
    try {
      const value = this.checked(failed.details.now)
      this.over = [value]
      const words = asked ? { problem: undefined, mine: undefined } : { problem: failed.message, mine: this.newest }
      this.settle({ ...now, ...words, value, waiting: false, theirs: now.theirs + 1 })
    } catch {
      this.settle({ ...now, value: over[0]!, problem: failed.message, waiting: false })
    }
  }

  private settle(whole: Whole<T>): void {
    this.newest = whole.value
    quietly(() => this.unsent.remove())
    this.state.set(whole)
  }
}

const refused = (error: unknown): error is CallError => error instanceof CallError && error.status >= 400 && error.status < 500

const sameText = (one: unknown, other: unknown): boolean => JSON.stringify(one) === JSON.stringify(other)

/** A store of the browser that is full or forbidden costs what outlasts a reload, not the change. */
function quietly<R>(act: () => R): R | undefined {
  try {
    return act()
  } catch {
    return undefined
  }
}
