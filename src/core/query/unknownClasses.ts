import { knownClasses } from '../reaction/reactiveClasses'
import { isCharged } from '../plan/plan'
import type { QueryRule } from '../operations/query'

/** A substance that goes in and of which neither a record, a structure nor its author says what it does to others: the meetings cannot be looked for. */
export const unknownClasses: QueryRule = (plan) =>
  plan.substances.flatMap((substance) => {
    const line = plan.lines.find((each) => each.substance === substance.id && isCharged(each))
    // What a material holds has classes of its own.
    const holds = plan.lines.some(({ anchor }) => anchor?.of === 'share' && anchor.line === line?.id)
    if (!line || holds || knownClasses(substance).known) return []
    return [
      {
        id: `classes-${substance.id}`,
        about: line.id,
        title: `What does ${substance.name} do to others?`,
        evidence:
          'It has no record and no structure, so nobody can say what it must not meet. Say it under what this plan knows of it, from its safety data sheet, or say that it does nothing of the kind.',
      },
    ]
  })
