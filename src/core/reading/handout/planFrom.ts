import { addStep } from '../../edit/addStep'
import { emptyPlan } from '../../edit/newPlan'
import { isCharged, type Plan, type Step } from '../../plan/plan'
import { lineIn } from './planLine'
import { take, type Taking } from './planStep'
import { expectedOf, withLiterature, withOffered } from './wholePlan'
import type { Proposal } from './proposal'

/** The plan of what was taken: nothing that still asks, and nothing that was left out, is in it; and the step that each item became. */
export function planAndSteps(proposal: Proposal): { plan: Plan; stepOf: Map<string, Step> } {
  const lines = proposal.lines.filter(({ substance, asks }) => substance !== undefined && asks.length === 0)
  const begun = addStep(lines.reduce(lineIn, emptyPlan(proposal.title || 'Untitled')), 'safety').plan
  const there = (id: string | undefined) => (id !== undefined && lines.some((line) => line.id === id) ? id : undefined)
  const reference = there(proposal.reference) ?? begun.lines.find(isCharged)?.id ?? begun.lines[0]?.id ?? ''
  const product = there(proposal.product)
  const headed: Plan = {
    ...begun,
    reference,
    ...(product && proposal.does === 'makes' ? { mainProduct: product, ...expectedOf(proposal) } : {}),
    ...(product && proposal.does === 'isolates' ? { recoveries: [{ sample: 'purified', product, of: reference }] } : {}),
  }
  const taking: Taking = { proposal, plan: headed, samples: { last: 'crude', dry: false, purified: 0 } }
  const ids: [item: string, step: string][] = []
  for (const step of proposal.steps) {
    if (step.asks.length > 0) continue
    take(taking, step)
    ids.push([step.id, taking.plan.steps.at(-1)!.id])
  }
  const plan = withOffered(withLiterature(taking.plan, proposal), proposal)
  return { plan, stepOf: new Map(ids.map(([item, id]) => [item, plan.steps.find((step) => step.id === id)!])) }
}

/** The plan of what was taken. */
export const planFrom = (proposal: Proposal): Plan => planAndSteps(proposal).plan
