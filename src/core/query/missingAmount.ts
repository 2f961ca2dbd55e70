import { lineName } from '../plan/lineName'
import { isCharged } from '../plan/plan'
import { dispensed } from '../reaction/reactionTable'
import type { QueryRule } from '../operations/query'

/** A line that goes in without a mass, volume or amount: nobody could weigh it. */
export const missingAmount: QueryRule = (plan, table) =>
  table.lines
    .filter((computed) => isCharged(computed.line) && !dispensed(computed))
    .map(({ line }) => ({
      id: `no-amount-${line.id}`,
      about: line.id,
      title: `How much ${lineName(plan, line)}?`,
      evidence: `The line has no mass, volume or amount yet${line.role === 'reactant' ? ', so the yield is not known' : ''}.`,
    }))
