import { operationIn } from '../operations/registry'
import type { Plan } from '../plan/plan'
import { sampleIn } from '../result/quantities/boilingRange'

export type FoundKind = 'purity' | 'boiling' | 'refraction'

const kinds: Readonly<Record<string, FoundKind>> = {
  slot: 'purity',
  'boiling range': 'boiling',
  'refractive index': 'refraction',
}

/** What staff may find of a sample after the session: of which step, what, and of which sample. */
export function findable(plan: Plan): { step: string; kind: FoundKind; sample: string }[] {
  return plan.steps.flatMap((step) => {
    const kind = kinds[operationIn(step)?.measures ?? '']
    return kind ? [{ step: step.id, kind, sample: sampleIn(plan, step) }] : []
  })
}
