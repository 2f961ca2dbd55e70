import type { Entry } from '@/core/run/entry'
import type { CallError } from '../call'
import type { KeptHere } from '../kept/keptHere'
import { Store } from '../store'

/** An entry that the book did not take, and why. It stays on the tablet until somebody has seen to it. */
export interface RefusedEntry {
  entry: Entry
  why: string
}

export interface Waiting {
  /** Written here and not yet confirmed by the server. */
  entries: readonly Entry[]
  refused: readonly RefusedEntry[]
  /** Why nothing is taken at the moment, where that is known; they wait and are sent again. */
  held: string | undefined
  /** Why this device keeps nothing over a reload, where it does not. */
  unkept: string | undefined
}

/** An entry as this device keeps it. */
export interface KeptEntry {
  key: string
  /** The run. */
  about: string
  entry: Entry
  why?: string
}

/** Sends a batch; answers which of them were refused and why. */
type Deliver = (entries: readonly Entry[]) => Promise<readonly { id: string; why: string }[]>

/** The server's disk is full (RFC 4918, Insufficient Storage). */
const diskFull = 507
const diskWords = 'The server’s disk is full; your readings are kept on this tablet. Write on, and tell the demonstrator.'
const retryMs = 2500
/** Fewer than a bench may write in a minute of the server's clock. */
const batchSize = 200
const notKept =
  'This tablet cannot keep what is written (its storage is full or forbidden). Stay on this page until all is in the book, and tell the demonstrator.'

/**
 * Entries on their way to the book. They are kept on the device, one record each, from the moment they are written until the server has confirmed them, over a reload and
 * without a network; sending twice is harmless, so nothing is ever given up. One that is refused is set aside with its reason and does not hold back the others.
 */
export class Outbox extends Store<Waiting> {
  private busy = false
  private timer: ReturnType<typeof setTimeout> | undefined
  private readonly gone = new Set<string>()

  constructor(
    private readonly run: string,
    private readonly kept: KeptHere<KeptEntry>,
    private readonly deliver: Deliver,
  ) {
    super({ entries: [], refused: [], held: undefined, unkept: undefined })
  }

  /** Takes up what an earlier page, or another window that is closed by now, left behind. */
  readonly start = async (): Promise<void> => {
    await this.takeUp()
    await this.send()
  }

  stop(): void {
    clearTimeout(this.timer)
  }

  write(entry: Entry): void {
    this.put({ entries: [...this.get().entries, entry] })
    void this.keep({ key: entry.id, about: this.run, entry })
    void this.send()
  }

  /** Sends a refused entry once more, as it is. */
  readonly again = (id: string): void => {
    const found = this.get().refused.find(({ entry }) => entry.id === id)
    if (!found) return
    this.put({ refused: this.without(id), entries: [...this.get().entries, found.entry] })
    void this.keep({ key: id, about: this.run, entry: found.entry })
    void this.send()
  }

  /** Takes a refused entry off this device; it is not in the book. */
  readonly drop = (id: string): void => {
    this.gone.add(id)
    this.put({ refused: this.without(id) })
    void this.kept.remove([id]).catch(() => undefined)
  }

  readonly send = async (): Promise<void> => {
    clearTimeout(this.timer)
    if (this.busy || this.get().entries.length === 0) return
    this.busy = true
    const batch = this.get().entries.slice(0, batchSize)
    try {
      const refused = new Map((await this.deliver(batch)).map(({ id, why }) => [id, why]))
      const sent = new Set(batch.map(({ id }) => id))
      this.put({
        held: undefined,
        entries: this.get().entries.filter(({ id }) => !sent.has(id)),
        refused: [
          ...this.get().refused,
          ...batch.flatMap((entry) => (refused.has(entry.id) ? [{ entry, why: refused.get(entry.id)! }] : [])),
        ],
      })
      this.busy = false
      const booked = batch.filter(({ id }) => !refused.has(id)).map(({ id }) => id)
      for (const id of booked) this.gone.add(id)
      for (const { entry, why } of this.get().refused)
        if (sent.has(entry.id)) void this.keep({ key: entry.id, about: this.run, entry, why })
      await this.kept.remove(booked).catch(() => undefined)
      void this.send()
    } catch (error) {
      this.busy = false
      const { status, message } = error as CallError
      // Out of reach: soon again. Refused as a whole: later again, and the reason is shown.
      const refused = (status >= 400 && status < 500) || status === diskFull
      this.put({ held: status === diskFull ? diskWords : refused ? message : undefined })
      this.timer = setTimeout(() => void this.send(), refused ? retryMs * 8 : retryMs)
    }
  }

  private async takeUp(): Promise<void> {
    let left: KeptEntry[]
    try {
      left = await this.kept.about(this.run)
    } catch {
      this.put({ unkept: notKept })
      return
    }
    const { entries, refused } = this.get()
    const known = new Set([...entries.map(({ id }) => id), ...refused.map(({ entry }) => entry.id), ...this.gone])
    const fresh = left.filter(({ key }) => !known.has(key)).sort((a, b) => (a.key < b.key ? -1 : 1))
    if (fresh.length === 0) return
    this.put({
      entries: [...fresh.filter(({ why }) => why === undefined).map(({ entry }) => entry), ...entries],
      refused: [...refused, ...fresh.flatMap(({ entry, why }) => (why === undefined ? [] : [{ entry, why }]))],
    })
  }

  private async keep(record: KeptEntry): Promise<void> {
    try {
      if (this.gone.has(record.key)) return
      await this.kept.put(record)
      // Confirmed while it was being kept.
      if (this.gone.has(record.key)) await this.kept.remove([record.key])
      if (this.get().unkept) this.put({ unkept: undefined })
    } catch {
      this.put({ unkept: notKept })
    }
  }

  private without(id: string): RefusedEntry[] {
    return this.get().refused.filter(({ entry }) => entry.id !== id)
  }

  private put(part: Partial<Waiting>): void {
    this.set({ ...this.get(), ...part })
  }
}
