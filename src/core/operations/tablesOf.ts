import { batchDistillation } from './distil/batch'
import { byWindow, purityOf, recoveryAtPurity, usualPurities, type Fraction } from './distil/fractions'
import { operationOf } from './registry'
import { pairsJudged, solventsJudged } from './crystallise/planner'
import { batchOf, windowOf } from './distil/planner'
import { whereItIs } from './extract/planner'
import type { Context, Filled } from './planner'
import { washesOf } from './wash/planner'

/** What an operation works out beside its figures, as plain tables: the fractions of a distillation, what is in which layer, the solvents compared. Empty for the others. */
export function tablesOf(context: Context, filled: Filled): Record<string, unknown> {
  switch (operationOf(context.step)) {
    case 'distil':
      return distillation(context, filled)
    case 'extract':
      return layersOf(context)
    case 'wash':
      return { washes: washesOf(context, filled), ...layersOf(context) }
    case 'crystallise':
      return { solvents: solventsJudged(context, filled), pairs: pairsJudged(context, filled) }
    default:
      return {}
  }
}

function layersOf(context: Context): Record<string, unknown> {
  const layers = whereItIs(context)
  return layers ? { layers } : {}
}

function distillation(context: Context, filled: Filled): Record<string, unknown> {
  const batch = batchOf(context, filled)
  if (!batch) return {}
  const { mixture, charge, wanted } = batch
  const { lowC, highC } = windowOf(context, filled)
  let curve
  try {
    curve = batchDistillation(mixture, charge)
  } catch (error) {
    if (error instanceof RangeError) return { refused: error.message }
    throw error
  }
  const row = (fraction: Fraction) => ({
    name: fraction.name,
    from_mL: fraction.fromML,
    to_mL: fraction.toML,
    from_C: fraction.fromC,
    to_C: fraction.toC,
    mmol: fraction.mmol,
    purity: purityOf(fraction, wanted),
  })
  return {
    components: mixture.components.map(({ name }) => name),
    fractions: byWindow(curve, lowC, highC).map(row),
    left_mmol: curve.left.map((n, i) => n + curve.inColumn[i]!),
    purities: recoveryAtPurity(curve, wanted, charge.mmol[wanted]!, usualPurities).map(({ purity, recovery, fraction }) => ({
      ...row(fraction),
      purity,
      recovery,
    })),
  }
}
