import { measurementIn } from '../operations/readings'
import type { Plan } from '../plan/plan'
import { sampleIn } from '../result/quantities/boilingRange'

export const foundKinds = ['purity', 'spectrum', 'boiling', 'refraction'] as const

export type FoundKind = (typeof foundKinds)[number]

/** What staff may find of a sample after the session: of which step, what, and of which sample. */
export function findable(plan: Plan): { step: string; kind: FoundKind; sample: string }[] {
  return plan.steps.flatMap((step) => {
    const { kinds } = measurementIn(step)
    return foundKinds.flatMap((kind) => (kinds?.includes(kind) ? [{ step: step.id, kind, sample: sampleIn(plan, step) }] : []))
  })
}
