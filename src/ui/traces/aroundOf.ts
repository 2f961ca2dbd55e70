import { findable } from '@/core/classroom/findable'
import { absorbing } from '@/core/traces/bands'
import { isReactant, mainSubstance, substanceOf, type Plan } from '@/core/plan/plan'
import type { Around } from './FileOpen'

/** What of a plan a file is read with: names for its peaks, groups for its bands, the step that a purity belongs to. */
export function aroundOf(plan: Plan): Pick<Around, 'names' | 'product' | 'groups' | 'step'> {
  const product = mainSubstance(plan)
  const used = plan.lines.filter(({ role }) => role !== 'work-up').map((line) => substanceOf(plan, line).name)
  return {
    names: [...new Set(used)],
    product: product?.name ?? '',
    groups: {
      product: product ? absorbing(product) : [],
      starting: plan.lines.filter(isReactant).flatMap((line) => absorbing(substanceOf(plan, line))),
    },
    step: findable(plan).find(({ kind }) => kind === 'purity')?.step ?? null,
  }
}
