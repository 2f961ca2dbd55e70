import { CallError } from '../call'
import { Store } from '../store'

/** What stands on the page of a thing that is written whole with every change. */
export interface Whole<T> {
  value: T
  /** Why the last change could not be written, in words. */
  problem: string | undefined
  /** True from a change until the server has it. */
  waiting: boolean
  /** How often the server has taken one since the page was opened. */
  written: number
}

/** Where one unsent value of this window outlasts a reload. */
export interface Unsent {
  get: () => string | null
  put: (value: string) => void
  remove: () => void
}

/** How long after a failure of the server or the network it is asked again, ms. */
const againMs = 3_000

/**
 * Writes a thing whole with each change, one after the other and the newest only: two that are under way together could arrive in the other order.
 * What the server refuses goes back to what it has; what does not reach it stays, is tried again, and is taken up after a reload.
 */
export class WholeKeeper<T> {
  readonly state: Store<Whole<T>>
  private taken: T
  private newest: T
  private sending = false
  private again: ReturnType<typeof setTimeout> | undefined

  constructor(
    first: T,
    private readonly send: (value: T) => Promise<unknown>,
    private readonly unsent: Unsent,
    private readonly checked: (value: unknown) => T,
  ) {
    this.taken = first
    this.newest = first
    this.state = new Store<Whole<T>>({ value: first, problem: undefined, waiting: false, written: 0 })
  }

  /** Takes up what was under way when the page was left. What cannot be read any more is forgotten. */
  readonly start = (): void => {
    const left = quietly(() => this.unsent.get())
    if (!left || this.state.get().waiting) return
    try {
      this.write(this.checked(JSON.parse(left)))
    } catch {
      quietly(() => this.unsent.remove())
    }
  }

  readonly stop = (): void => clearTimeout(this.again)

  readonly write = (value: T): void => {
    this.newest = value
    this.state.set({ ...this.state.get(), value, problem: undefined, waiting: true })
    quietly(() => this.unsent.put(JSON.stringify(value)))
    clearTimeout(this.again)
    if (!this.sending) void this.sendNewest()
  }

  private async sendNewest(): Promise<void> {
    const value = this.newest
    this.sending = true
    let failed: unknown
    try {
      await this.send(value)
      this.taken = value
    } catch (error) {
      failed = error
    }
    this.sending = false
    if (value !== this.newest) return this.sendNewest()
    const now = this.state.get()
    if (failed === undefined) this.settled({ ...now, problem: undefined, waiting: false, written: now.written + 1 })
    else if (failed instanceof CallError && failed.status >= 400 && failed.status < 500)
      this.settled({ ...now, value: this.taken, problem: failed.message, waiting: false })
    else {
      this.state.set({ ...now, problem: (failed as Error).message })
      this.again = setTimeout(() => void this.sendNewest(), againMs)
    }
  }

  private settled(whole: Whole<T>): void {
    this.newest = whole.value
    quietly(() => this.unsent.remove())
    this.state.set(whole)
  }
}

/** A store of the browser that is full or forbidden costs what outlasts a reload, not the change. */
function quietly<R>(act: () => R): R | undefined {
  try {
    return act()
  } catch {
    return undefined
  }
}
