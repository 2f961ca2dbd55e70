import type { Plan } from '../../plan/plan'
import { budgetOf, type Budget } from '../../result/budget'
import { lossAccounts, type LossAccount } from '../../result/losses/lossAccount'
import { inColumns } from '../inColumns'
import type { ClassResults } from '../classResults'
import type { Folded } from '../foldClass'
import { balancePanels, type BalancePanel } from './balance'
import { curvePanels, type CurvePanel } from './curves'
import { spotPanels, type SpotPanel } from './spots'
import { stripsOf, type Strip } from './strips'
import { testPanels, type TestPanel } from './tests'
import { timesOf, type TimePanel } from './times'

/** Everything of a class that is one picture with its table, beside the pair of yield and melting range. */
export interface ClassPanels {
  strips: Strip[]
  tests: TestPanel[]
  spots: SpotPanel[]
  curves: CurvePanel[]
  balances: BalancePanel[]
  losses: { bench: number; members: string; accounts: LossAccount[] }[]
  budgets: { bench: number; budget: Budget }[]
  times: TimePanel
}

/** The losses of one group: the walk through what it did, five times over. */
export const lossPanel = ({ run, state, results }: Folded): ClassPanels['losses'][number] => ({
  ...{ bench: run.bench, members: run.members },
  accounts: lossAccounts(state, results),
})

export const classPanels = (
  plan: Plan,
  folded: readonly Folded[],
  results: ClassResults,
  losses: ClassPanels['losses'],
): ClassPanels => ({
  strips: stripsOf(folded, (outcome) => inColumns(results, outcome)),
  tests: testPanels(plan, folded),
  spots: spotPanels(plan, folded),
  curves: curvePanels(plan, folded),
  balances: balancePanels(plan, folded),
  losses: losses.filter(({ accounts }) => accounts.length > 0),
  budgets: folded.flatMap(({ run, state, results: own }) => {
    const budget = budgetOf(state, own)
    return budget ? [{ bench: run.bench, budget }] : []
  }),
  times: timesOf(plan, folded),
})
