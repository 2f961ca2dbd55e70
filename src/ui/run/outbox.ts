import type { Entry } from '@/core/run/entry'
import { CallError } from '../call'
import { Store } from '../store'

export interface Waiting {
  /** Written here and not yet confirmed by the server. */
  entries: readonly Entry[]
  /** Why the server refused them, where it did. */
  refused: string | undefined
}

/** Where the outbox keeps what waits: the browser's storage, or a stand-in. */
export type Keeper = Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>

const retryMs = 2500
const batchSize = 100

/**
 * Entries on their way to the book. They are kept on the device from the moment they are written until the server has confirmed them, over a reload and
 * without a network; sending twice is harmless, so nothing is ever given up.
 */
export class Outbox extends Store<Waiting> {
  private busy = false
  private timer: ReturnType<typeof setTimeout> | undefined

  constructor(
    private readonly key: string,
    private readonly keeper: () => Keeper,
    private readonly deliver: (entries: readonly Entry[]) => Promise<void>,
  ) {
    super({ entries: [], refused: undefined })
  }

  /** Takes up what an earlier page left behind. */
  start(): void {
    try {
      const left = JSON.parse(this.keeper().getItem(this.key) ?? '[]') as Entry[]
      const known = new Set(this.get().entries.map(({ id }) => id))
      const fresh = left.filter(({ id }) => !known.has(id))
      if (fresh.length > 0) this.keep([...fresh, ...this.get().entries], undefined)
    } catch {
      this.keeper().removeItem(this.key)
    }
    void this.send()
  }

  stop(): void {
    clearTimeout(this.timer)
  }

  write(entry: Entry): void {
    this.keep([...this.get().entries, entry], this.get().refused)
    void this.send()
  }

  readonly send = async (): Promise<void> => {
    clearTimeout(this.timer)
    if (this.busy || this.get().entries.length === 0) return
    this.busy = true
    const batch = this.get().entries.slice(0, batchSize)
    try {
      await this.deliver(batch)
      const sent = new Set(batch.map(({ id }) => id))
      this.keep(
        this.get().entries.filter(({ id }) => !sent.has(id)),
        undefined,
      )
      this.busy = false
      void this.send()
    } catch (error) {
      this.busy = false
      const { status, message } = error as CallError
      // Out of reach: soon again. Refused: later again, and the reason is shown.
      const refused = status >= 400 && status < 500
      this.set({ ...this.get(), refused: refused ? message : undefined })
      this.timer = setTimeout(() => void this.send(), refused ? retryMs * 8 : retryMs)
    }
  }

  private keep(entries: readonly Entry[], refused: string | undefined): void {
    if (entries.length === 0) this.keeper().removeItem(this.key)
    else this.keeper().setItem(this.key, JSON.stringify(entries))
    this.set({ entries, refused })
  }
}
