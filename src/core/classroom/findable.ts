import { measurementIn } from '../operations/readings'
import type { Plan } from '../plan/plan'
import { sampleIn } from '../result/quantities/boilingRange'

const found = ['purity', 'boiling', 'refraction'] as const

export type FoundKind = (typeof found)[number]

/** What staff may find of a sample after the session: of which step, what, and of which sample. */
export function findable(plan: Plan): { step: string; kind: FoundKind; sample: string }[] {
  return plan.steps.flatMap((step) => {
    const { kinds } = measurementIn(step)
    const kind = found.find((each) => kinds?.includes(each))
    return kind ? [{ step: step.id, kind, sample: sampleIn(plan, step) }] : []
  })
}
