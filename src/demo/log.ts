import { ulid } from 'ulid'
import type { Entry, EntryBodies, EntryKind, Mark } from '@/core/run/entry'

/** Writes the entries of one invented run, minute by minute. */
export class InventedLog {
  readonly entries: Entry[] = []
  private last = 0

  constructor(
    private readonly start: Date,
    private readonly by: string,
    private readonly random: () => number,
  ) {}

  /** Adds one entry `minute` minutes into the session. */
  add<K extends EntryKind>(minute: number, step: string, kind: K, body: EntryBodies[K], more: Partial<Entry> = {}): Entry<K> {
    // Ids sort by time; two entries never share a millisecond.
    this.last = Math.max(this.start.getTime() + Math.round(minute * 60_000), this.last + 1)
    const at = new Date(this.last)
    const entry = {
      id: ulid(at.getTime(), this.random),
      kind,
      step,
      body,
      at: at.toISOString(),
      by: this.by,
      device: 'bench tablet',
      supersedes: null,
      reason: null,
      ...more,
    }
    this.entries.push(entry as unknown as Entry)
    return entry as unknown as Entry<K>
  }

  done(minute: number, step: string): void {
    this.add(minute, step, 'done', {})
  }

  press(minute: number, step: string, mark: Mark): void {
    this.add(minute, step, 'press', { mark })
  }

  /** A mass by difference in a container with its cap on. */
  byDifference(
    minute: number,
    step: string,
    fullG: number,
    netG: number,
    decimals: number,
    more: { asked?: string } = {},
  ): Entry<'reading'>[] {
    const weighing = { method: 'difference' as const, closure: 'with cap' as const }
    const full = this.reading(minute, step, { slot: 'full', value: fullG, unit: 'g', decimals, weighing })
    const empty = this.reading(minute + 2, step, {
      slot: 'empty',
      value: Number((fullG - netG).toFixed(decimals)),
      unit: 'g',
      decimals,
      weighing,
      ...more,
    })
    return [full, empty]
  }

  /** A mass on a tared container. */
  tared(minute: number, step: string, netG: number, decimals: number): void {
    const weighing = { method: 'tare' as const }
    this.reading(minute, step, { slot: 'tared', value: 0, unit: 'g', decimals, weighing })
    this.reading(minute + 1, step, { slot: 'net', value: netG, unit: 'g', decimals, weighing })
  }

  reading(minute: number, step: string, body: EntryBodies['reading'], more: Partial<Entry> = {}): Entry<'reading'> {
    return this.add(minute, step, 'reading', body, more)
  }

  sign(minute: number, step: string, by: string, covers: Entry[]): void {
    this.add(minute, step, 'signature', { covers: covers.map(({ id }) => id) }, { by, device: 'demonstrator’s tablet' })
  }
}
