import { namable } from '../operations/wordFigures'
import { blanksNamed } from '../reaction/stepText'
import type { QueryRule } from '../operations/query'

/** Words of a step that name a blank which the step does not have: it would be printed as it was typed. */
export const unknownBlank: QueryRule = (plan) =>
  plan.steps.flatMap((step) => {
    const named = blanksNamed(step.text)
    if (named.length === 0) return []
    const there = namable(plan, step)
    return named
      .filter((key) => !there.some((each) => each.key === key))
      .map((key) => ({
        id: `unknown-blank-${step.id}-${key}`,
        about: step.id,
        title: 'A step names a blank that it does not have',
        evidence: `“${step.title}” says {@${key}}, which would be printed as “not known”. ${there.length > 0 ? `It has ${there.map((each) => `{@${each.key}} (${each.label})`).join(', ')}.` : 'It has none.'}`,
      }))
  })
