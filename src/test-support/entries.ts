import type { Entry, EntryBodies, EntryKind, Mark } from '@/core/run/entry'

/** Writes entries for tests, a minute apart, with ids in the order of writing. */
export class TestLog {
  readonly entries: Entry[] = []
  private minute = 0

  add<K extends EntryKind>(step: string, kind: K, body: EntryBodies[K], more: Partial<Entry> = {}): Entry<K> {
    this.minute++
    const number = String(this.minute).padStart(4, '0')
    const entry = {
      id: `01HZZZZZZZZZZZZZZZZZZZ${number}`,
      kind,
      step,
      body,
      at: new Date(Date.UTC(2026, 10, 17, 13, this.minute)).toISOString(),
      by: 'Bench 1: Test, Group',
      device: 'bench tablet',
      supersedes: null,
      reason: null,
      ...more,
    } as Entry
    this.entries.push(entry)
    return entry as Entry<K>
  }

  reading(
    step: string,
    slot: string,
    value: number,
    decimals = 2,
    more: Partial<Entry> = {},
    unit: 'g' | 'mL' | '°C' | 'mmHg' | '' = 'g',
  ): Entry<'reading'> {
    return this.add(step, 'reading', { slot, value, unit, decimals }, more)
  }

  /** A mass by difference with the cap on. */
  difference(step: string, full: number, empty: number, decimals = 3): [Entry<'reading'>, Entry<'reading'>] {
    const weighing = { method: 'difference' as const, closure: 'with cap' as const }
    return [
      this.add(step, 'reading', { slot: 'full', value: full, unit: 'g', decimals, weighing }),
      this.add(step, 'reading', { slot: 'empty', value: empty, unit: 'g', decimals, weighing }),
    ]
  }

  done(step: string): Entry<'done'> {
    return this.add(step, 'done', {})
  }

  press(step: string, mark: Mark): Entry<'press'> {
    return this.add(step, 'press', { mark })
  }

  /** Supersedes an entry by the same reading with another value. */
  rewrite(old: Entry<'reading'>, value: number, reason: string): Entry<'reading'> {
    return this.add(old.step, 'reading', { ...old.body, value }, { supersedes: old.id, reason })
  }

  sign(step: string, covers: Entry[], by = 'Noor Haddad'): Entry<'signature'> {
    return this.add(step, 'signature', { covers: covers.map(({ id }) => id) }, { by })
  }
}
