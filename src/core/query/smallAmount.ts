import { deviceOf, uncertaintyOf } from '../quantity/device'
import { writeNumber } from '../quantity/write'
import { isCharged } from '../plan/plan'
import { dispensed } from '../reaction/reactionTable'
import type { QueryRule } from './query'

/** Relative standard uncertainty above which an amount is too small for its device. */
const limit = 0.02

/** A reactant too small to measure well with the device named for it. */
export const smallAmount: QueryRule = (_plan, table) =>
  table.lines.flatMap((computed) => {
    const { line, substance } = computed
    const device = deviceOf(line.device)
    const measured = dispensed(computed)
    if (!device || !measured || !isCharged(line) || line.coefficient === null || device.measures !== measured.dimension) return []
    const u = uncertaintyOf(device, measured.dimension === 'mass' ? 2 : 1) / measured.figure.value
    // With more than twice what is needed an error of measuring cannot reach the yield.
    if (u <= limit || (computed.excess ?? 0) > 1) return []
    return [
      {
        id: `small-amount-${line.id}`,
        about: line.id,
        title: `Too little ${substance.name} to measure well`,
        evidence: `The ${device.name} gives it to ± ${writeNumber(100 * u, 0)} %; more than 2 % shows in the yield. Take a finer device, a stock solution, or a larger scale.`,
      },
    ]
  })
