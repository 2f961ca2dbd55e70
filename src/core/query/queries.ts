import type { Plan } from '../plan/plan'
import { reactionTable } from '../reaction/reactionTable'
import { closeReactants } from './closeReactants'
import { crystallisationVolume } from './crystallisationVolume'
import { lineUse } from './lineUse'
import { missingAmount } from './missingAmount'
import { orderOfWork } from './orderOfWork'
import type { Query, QueryRule } from './query'
import { smallAmount } from './smallAmount'
import { unbalanced } from './unbalanced'
import { vesselFill } from './vesselFill'

const rules: readonly QueryRule[] = [
  unbalanced,
  missingAmount,
  closeReactants,
  smallAmount,
  lineUse,
  orderOfWork,
  vesselFill,
  crystallisationVolume,
]

/** Every query that a plan raises, each with the author's answer where there is one. */
export function queriesOf(plan: Plan, table = reactionTable(plan)): (Query & { answer?: string })[] {
  return rules
    .flatMap((rule) => rule(plan, table))
    .map((query) => ({ ...query, answer: plan.answers.find((answer) => answer.query === query.id)?.reason }))
}
