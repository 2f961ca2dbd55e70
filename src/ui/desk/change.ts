import { applyPatch, compare, type Operation } from 'fast-json-patch'
import type { Plan } from '@/core/plan/plan'

/** One change to a plan that can be undone and redone: JSON patches (RFC 6902) both ways. */
export interface Change {
  /** What was changed, in a few words. */
  label: string
  forward: Operation[]
  back: Operation[]
}

export function changeBetween(before: Plan, after: Plan, label: string): Change {
  return { label, forward: compare(before, after), back: compare(after, before) }
}

/** The plan after a patch; the plan given stays as it is. */
export function patched(plan: Plan, operations: Operation[]): Plan {
  return applyPatch(plan, structuredClone(operations), false, false).newDocument
}
