import type { Entry, EntryBodies, EntryKind } from '@/core/run/entry'

/** Writes one entry into the outbox of this bench. */
export type Write = <K extends EntryKind>(
  kind: K,
  step: string,
  body: EntryBodies[K],
  correction?: { supersedes: string | null; reason: string },
) => void

/** An entry as it would be written, to ask the core about it first. Its id sorts after all others. */
export function draftOf<K extends EntryKind>(
  kind: K,
  step: string,
  body: EntryBodies[K],
  supersedes: string | null = null,
): Entry {
  return {
    id: '7ZZZZZZZZZZZZZZZZZZZZZZZZZ',
    kind,
    step,
    body,
    at: new Date().toISOString(),
    by: '',
    device: '',
    supersedes,
    reason: null,
  } as Entry
}
