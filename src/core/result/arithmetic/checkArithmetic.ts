import { isReactant } from '../../plan/plan'
import type { RunState } from '../../run/foldRun'
import type { BaseResults } from '../baseResults'
import { amountChecked } from './amountChecked'
import type { Checked, Worked } from './checked'
import { limitingChecked } from './limitingChecked'
import { percentChecked } from './percentChecked'
import { theoryChecked } from './theoryChecked'

/**
 * Compares what a group has worked out with what follows from its own readings, step by step; where a figure differs, the known mistakes are tried one after another and the one that gives just that figure is named. A figure that is right for a wrong one before it counts as right.
 */
export function checkArithmetic(run: RunState, base: BaseResults, worked: Worked): Checked[] {
  const reactants = base.table.lines.filter(({ line, amount }) => isReactant(line) && amount)
  const amounts = worked.amounts.flatMap(({ line, mmol }) => {
    const found = reactants.find((each) => each.line.id === line)
    return found ? [amountChecked(run, found, reactants, mmol)] : []
  })
  const theirs = new Map(worked.amounts.map(({ line, mmol }) => [line, mmol]))
  const limiting = worked.limiting === undefined ? [] : [limitingChecked(run, reactants, theirs, base, worked.limiting)]
  const theory = worked.theoreticalG === undefined ? [] : theoryChecked(run, base, reactants, worked, worked.theoreticalG)
  const percent = worked.percent === undefined ? [] : percentChecked(run, base, worked, worked.percent)
  return [...amounts, ...limiting, ...theory, ...percent]
}
