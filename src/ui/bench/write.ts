import type { EntryBodies, EntryKind } from '@/core/run/entry'

/** Writes one entry into the outbox of this bench. */
export type Write = <K extends EntryKind>(
  kind: K,
  step: string,
  body: EntryBodies[K],
  correction?: { supersedes: string; reason: string },
) => void
