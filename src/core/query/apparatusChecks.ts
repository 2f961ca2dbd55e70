import { uncapital } from '../words/capital'
import { changeStep } from '../plan/editPlan'
import { operationIn } from '../operations/registry'
import type { StepFact } from '../plan/stepFacts'
import type { QueryRule } from '../operations/query'

/** What must be looked at before heat goes on, and the line that says it. */
const needed = [
  {
    fact: 'water-runs',
    check: 'Water in at the bottom, out at the top, running',
    danger: 'a dry condenser lets the vapour out',
  },
  { fact: 'open-to-air', check: 'Open to the air at one place', danger: 'a closed system bursts' },
  {
    fact: 'chips-or-stirrer',
    check: 'Boiling chips or a stirrer in the cold flask',
    danger: 'chips thrown into hot liquid make it boil over',
  },
] as const satisfies readonly { fact: StepFact; check: string; danger: string }[]

/** An apparatus check before reflux or distillation that leaves out running water, the opening to the air, or chips in the cold flask. */
export const apparatusChecks: QueryRule = (plan) =>
  plan.steps.flatMap((step, index) => {
    if (operationIn(step)?.heats !== 'under a condenser') return []
    const setUp = plan.steps.slice(0, index).findLast((each) => operationIn(each)?.setsUp)
    if (setUp?.kind !== 'assemble') return []
    const missing = needed.filter(({ fact }) => !setUp.says?.includes(fact))
    // A second distillation from the same set-up repeats nothing.
    const first = plan.steps.slice(plan.steps.indexOf(setUp)).find((other) => operationIn(other)?.heats === 'under a condenser')
    if (missing.length === 0 || first !== step) return []
    return [
      {
        id: `checks-${setUp.id}`,
        about: setUp.id,
        title: 'The check before heat is not complete',
        evidence: `“${setUp.title}” says nothing of this: ${missing.map(({ check, danger }) => `${uncapital(check)} (${danger})`).join('; ')}.`,
        remedy: {
          label: missing.length === 1 ? 'Add the check' : 'Add the checks',
          apply: (current) =>
            changeStep(current, setUp.id, {
              checks: [...setUp.checks, ...missing.map(({ check }) => check)],
              says: [...(setUp.says ?? []), ...missing.map(({ fact }) => fact)],
            }),
        },
      },
    ]
  })
