import type { Plan } from '@/core/plan/plan'
import type { Change } from './change'

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
  /** Plans that were sent for this base without an answer; the server may have one of them. */
  sent: readonly Plan[]
  past: readonly Change[]
  future: readonly Change[]
  saving: Saving
  /** True where this device can keep nothing over a reload: its store is full or forbidden. */
  unkept: boolean
}

/** What a page was opened with. `older` where somebody looks at a revision before the newest: that one stands as it was, whatever was written since. */
export interface Opened {
  base: Base
  plan: Plan
  older?: boolean
}

/** A draft as one window keeps it. */
export interface KeptDraft {
  /** Preparation and window. */
  key: string
  /** The preparation. */
  about: string
  window: string
  draft: Omit<Draft, 'saving' | 'unkept'>
}

/** The windows of this browser that have the same preparation open. */
export interface Windows {
  /** This window's own name, the same over a reload. */
  own: string
  /** Those that are open now, this one apart. */
  alive: () => Promise<ReadonlySet<string>>
}
