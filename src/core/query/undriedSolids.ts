import { addStep } from '../edit/addStep'
import { substanceOfSample } from '../plan/plan'
import type { Query, QueryRule } from '../operations/query'

/** A solid that nobody dried: weighed for its result, or melted straight from the crystals. */
export const undriedSolids: QueryRule = (plan) =>
  plan.steps.flatMap((step, index): Query[] => {
    const found: Query[] = []
    const after = plan.steps[index + 1]
    if (step.kind === 'crystallise' && after?.kind === 'melt')
      found.push({
        id: `undried-${step.id}`,
        about: after.id,
        title: 'From the crystals straight to the capillary',
        evidence: 'Crystals hold solvent: filter and dry them first, or they melt low and broad.',
      })
    if (step.kind === 'weigh' && step.dry) {
      const melts = substanceOfSample(plan, step.sample)?.melting
      const dried = plan.steps.slice(0, index).some((other) => other.kind === 'dry' && other.sample === step.sample)
      if (melts && melts.lowC > 25 && !dried)
        found.push({
          id: `weighed-wet-${step.id}`,
          about: step.id,
          title: 'A solid that nobody dried counts as dry',
          evidence: `“${step.title}” calls ${step.sample} dry, and no step before it dries it to constant mass. Solvent in it counts as yield.`,
          remedy: {
            label: 'Add a step that dries it',
            apply: (current) => addStep(current, 'dry', plan.steps[index - 1]?.id).plan,
          },
        })
    }
    return found
  })
