import { ulid } from 'ulid'
import type { Entry } from '@/core/run/entry'

/** The lightest entry that a bench writes: its safety sheet is read. For measuring how fast entries go through. */
export const safetyRead = (at: Date): Entry => ({
  id: ulid(),
  kind: 'done',
  step: 'safety',
  body: {},
  at: at.toISOString(),
  by: 'bench',
  device: 'bench tablet',
  supersedes: null,
  reason: null,
})
