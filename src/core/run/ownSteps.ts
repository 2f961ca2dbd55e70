import { makeStep } from '../operations/makeStep'
import { isOperation, operations, type OperationKey } from '../operations/registry'
import { dispensedAs, type Plan, type Step } from '../plan/plan'
import { asWords } from '../words/words'
import type { Entry } from './entry'

/** Operations that a bench can put in: those that need no more said than what they are, of which line, or of which sample. */
export const puttable = [
  'charge',
  'stir',
  'heat',
  'cool',
  'add',
  'pour',
  'quench',
  'set-ph',
  'extract',
  'wash',
  'dry-solution',
  'decant',
  'filter',
  'rinse',
  'evaporate',
  'dry',
  'weigh',
  'melt',
  'boil',
  'refract',
  'thin-layer',
  'send',
] as const satisfies readonly OperationKey[]

/** What must be said of a step that is put in, beside its title. */
export const putWants = (operation: string): 'line' | 'sample' | null =>
  operation === 'charge' ? 'line' : operation === 'weigh' || operation === 'dry' || operation === 'melt' ? 'sample' : null

/** The id of the step that an entry puts in. */
export const ownStepId = (entry: Pick<Entry, 'id'>): string => `put-${entry.id}`

export const isPutIn = (step: string): boolean => /^put-[0-9A-HJKMNP-TV-Z]{26}$/.test(step)

/** What is wrong with a step that is to be put in, in words; null where it can be. */
export function problemWithOwnStep({ operation, line, sample }: Entry<'step'>['body'], plan: Plan): string | null {
  if (operation === undefined) return null
  if (!puttable.some((key) => key === operation)) return `A bench cannot put in “${operation}”.`
  if (operation === 'charge') {
    if (!plan.lines.some(({ id }) => id === line)) return 'Say which line of the plan is charged.'
  } else if (putWants(operation) === 'sample' && sample === undefined) return 'Say which sample it is of.'
  return null
}

/** The step that an entry puts in, at the scale of its plan. What it does to what is in the vessel is unknown where its operation is. */
function ownStep(entry: Entry<'step'>, plan: Plan): Step {
  const { title, operation, line, sample, effect } = entry.body
  const base = { id: ownStepId(entry), title: asWords(title) }
  if (operation === undefined || !isOperation(operation))
    return {
      ...base,
      ...{ kind: 'act', verb: 'Done', text: asWords(''), handsOnMin: 0, waitMin: 0 },
      own: { name: title, ...(effect ? { effect } : {}) },
    }
  const { danger } = operations[operation]
  const made = { ...makeStep(operation, base, plan), ...(danger ? { caution: asWords(danger) } : {}) }
  if (made.kind === 'charge') {
    const charged = plan.lines.find(({ id }) => id === line) ?? plan.lines[0]!
    const before = plan.steps.find((step) => step.kind === 'charge' && step.line === charged.id)
    const measure = dispensedAs(charged)
    const usual =
      measure === 'mass'
        ? { measure, container: 'weighing paper', device: charged.device ?? 'balance-0.01' }
        : { measure, container: 'measuring cylinder', device: charged.device ?? 'cylinder-10' }
    // As the plan measures it, so that both add up; how much of it goes in here nobody has planned.
    return { ...made, ...usual, ...measuredAs(before), line: charged.id, portion: 0, text: asWords('') }
  }
  return 'sample' in made && sample !== undefined ? { ...made, sample } : made
}

/** How a charge is measured. */
const measuredAs = (step: Step | undefined) =>
  step?.kind === 'charge' ? { measure: step.measure, container: step.container, device: step.device } : {}

/**
 * A plan with the steps that a group has put in, each after the one that its entry stands in, in the order in which they were written. One that was struck is gone unless
 * something stands in it.
 */
export function withOwnSteps(plan: Plan, entries: readonly Entry[], struck: (id: string) => boolean): Plan {
  const put = entries.filter((entry): entry is Entry<'step'> => entry.kind === 'step')
  if (put.length === 0) return plan
  const used = new Set(entries.map(({ step }) => step))
  const after = new Map<string, Entry<'step'>[]>()
  for (const entry of put) after.set(entry.step, [...(after.get(entry.step) ?? []), entry])
  const seen = new Set<string>()
  const following = (step: string): Step[] =>
    (after.get(step) ?? []).flatMap((entry) => {
      const id = ownStepId(entry)
      if (seen.has(id)) return []
      seen.add(id)
      const own = struck(entry.id) && !used.has(id) ? [] : [ownStep(entry, plan)]
      return [...own, ...following(id)]
    })
  return { ...plan, steps: plan.steps.flatMap((step) => [step, ...following(step.id)]) }
}

/** True for work of which nobody has said what it does to what is in the vessel. */
export const leavesUnknown = (step: Step): boolean =>
  step.kind === 'act' && step.own !== undefined && step.own.effect === undefined

/** A plan with what a group has said of work that left its vessel unknown; the last that stands counts. */
export function withContentsSaid(plan: Plan, entries: readonly Entry[], struck: (id: string) => boolean): Plan {
  const said = new Map(
    entries.flatMap((entry) =>
      entry.kind === 'contents' && !struck(entry.id) ? [[entry.step, entry.body.effect] as const] : [],
    ),
  )
  if (said.size === 0) return plan
  const steps = plan.steps.map((step) => {
    const effect = said.get(step.id)
    return step.kind === 'act' && step.own && effect && leavesUnknown(step) ? { ...step, own: { ...step.own, effect } } : step
  })
  return { ...plan, steps }
}
