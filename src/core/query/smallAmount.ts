import { lineName } from '../plan/lineName'
import { deviceOf, readingUncertainty } from '../quantity/device'
import { exact, times, type Figure } from '../quantity/figure'
import { writeFigureText, writeNumber } from '../quantity/write'
import { isCharged, type Line } from '../plan/plan'
import { scalePlan } from '../edit/scalePlan'
import { dispensed } from '../reaction/reactionTable'
import type { QueryRule } from '../operations/query'

/** Relative standard uncertainty above which an amount is too small for its device. */
const limit = 0.02

const larger = (u: number) => Math.ceil((10 * u) / limit) / 10

/** Grams or millilitres that still leave room for solvent in 100 mL. */
const mostInFlask = 40

/** A stock solution from which so little can be measured: twenty portions made up to 100 mL, of which one group takes 5.0 mL. */
function stock(line: Line, { dimension, figure }: { dimension: 'mass' | 'volume'; figure: Figure }): string {
  // What is a solution already, or would fill the flask by itself, is made up to nothing.
  const isSolution = line.form.kind !== 'solid' && line.form.kind !== 'neat'
  if (isSolution || figure.value * 20 > mostInFlask) return ''
  return ` As a stock solution: ${writeFigureText(times(figure, exact(20)), dimension)} made up to 100 mL in the reaction’s solvent, 5.0 mL of it for each group.`
}

/** A reactant too small to measure well with the device named for it. */
export const smallAmount: QueryRule = (plan, table) =>
  table.lines.flatMap((computed) => {
    const { line } = computed
    const device = deviceOf(line.device)
    const measured = dispensed(computed)
    if (!device || !measured || !isCharged(line) || line.coefficient === null || device.measures !== measured.dimension) return []
    const u = readingUncertainty(device, measured.dimension === 'mass' ? 2 : 1) / measured.figure.value
    // With more than twice what is needed an error of measuring cannot reach the yield.
    if (u <= limit || (computed.excess ?? 0) > 1) return []
    return [
      {
        id: `small-amount-${line.id}`,
        about: line.id,
        title: `Too little ${lineName(plan, line)} to measure well`,
        evidence: `The ${device.name} gives it to ± ${writeNumber(100 * u, 0)} %; more than 2 % shows in the yield.${stock(line, measured)} Take a finer device, or a larger scale.`,
        remedy: {
          // Two figures, rounded up, so that the larger amount is inside the limit.
          label: `Scale × ${writeNumber(larger(u), 1)}`,
          apply: (plan) => scalePlan(plan, larger(u)),
        },
      },
    ]
  })
