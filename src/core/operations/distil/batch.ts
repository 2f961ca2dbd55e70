import { columnOver } from './column'
import { type Column, type Head } from './head'
import type { Mixture } from '../../matter/equilibrium'

export interface BatchCharge extends Column {
  /** mmol of each component in the pot at the start. */
  mmol: readonly number[]
  /** Liquid that the column holds while it runs, mL; it is shared evenly among the stages. */
  holdUpML: number
  /** Points of the curve, from the first drop to the end. */
  points: number
  /** Volume left in pot and column at which the heat goes off, mL. */
  stopML: number
}

export interface BatchPoint {
  /** Distillate so far, mL. */
  volumeML: number
  headC: number
  potC: number
  /** Mole fractions of what comes over now, and of the pot. */
  head: number[]
  pot: number[]
  /** mmol of each component distilled so far. */
  distilled: number[]
}

export interface BatchCurve {
  points: BatchPoint[]
  /** mmol of each component in the pot and in the column at the end. */
  left: number[]
  inColumn: number[]
}

/**
 * A batch distillation from the first drop to the end: at each moment the distillate that stands over the pot (columnOver), taken off in even steps, dM/dD = −x_D (Rayleigh with stages). The column's
 * content follows the pot at once; constant molal overflow; volumes add up. Two steps are carried on together (Adams–Bashforth), so the error falls with the square of the step, and what is taken from the pot is what is
 * put into the receiver: nothing is lost.
 * @param onPoint told after each point, for progress; it may throw to stop
 * @throws RangeError where there is less in the pot than the column holds and the end leaves
 */
export function batchDistillation(mixture: Mixture, charge: BatchCharge, onPoint?: (share: number) => void): BatchCurve {
  const { mmol, stages, points, stopML, holdUpML } = charge
  const molar = mixture.components.map(({ gPerMol, gPerML }) => gPerMol / gPerML / 1000)
  const volume = (amounts: readonly number[]) => amounts.reduce((sum, n, i) => sum + n * molar[i]!, 0)
  const allML = volume(mmol)
  const end = Math.max(stopML, holdUpML)
  if (!(allML > end))
    throw new RangeError(
      `There are ${allML.toFixed(1)} mL in the pot, and ${end.toFixed(1)} mL are left in pot and column at the end: nothing comes over.`,
    )
  const total = mmol.reduce((a, b) => a + b, 0)
  const heldMmol = stages === 0 ? 0 : (total * holdUpML) / allML
  const stepMmol = (total * (1 - end / allML)) / points

  const have = [...mmol]
  const distilled = mmol.map(() => 0)
  let inColumn = mmol.map(() => 0)
  const column = columnOver(mixture, charge, stillK)
  let head: Head | undefined
  let before: number[] | undefined
  const curve: BatchPoint[] = []
  for (let point = 0; point <= points; point++) {
    const turns = point === 0 && heldMmol > 0 ? 8 : 1
    let pot: number[] = []
    for (let turn = 0; turn < turns; turn++) {
      if (head && heldMmol > 0) inColumn = held(head, heldMmol, have)
      const amounts = have.map((n, i) => Math.max(n - inColumn[i]!, 1e-12 * total))
      const sum = amounts.reduce((a, b) => a + b, 0)
      pot = amounts.map((n) => n / sum)
      head = column(pot)
    }
    const { distillate, headC, potC } = head!
    curve.push({ volumeML: volume(distilled), headC, potC, head: distillate, pot, distilled: [...distilled] })
    onPoint?.(point / points)
    if (point === points) break
    const ahead = before ? distillate.map((x, i) => Math.max(0, 1.5 * x - 0.5 * before![i]!)) : distillate
    const sum = ahead.reduce((a, b) => a + b, 0)
    for (let i = 0; i < have.length; i++) {
      const taken = Math.min((stepMmol * ahead[i]!) / sum, have[i]! * 0.999)
      have[i]! -= taken
      distilled[i]! += taken
    }
    before = distillate
  }
  return { points: curve, left: have.map((n, i) => n - inColumn[i]!), inColumn }
}

/** How still the stages' temperatures must be at each point, K: a tenth of what any thermometer of the bench shows is far coarser. */
const stillK = 5e-4

/** What the column holds: the mean of its stages, never more of a component than there is. */
function held({ onStages }: Head, mmol: number, have: readonly number[]): number[] {
  return have.map((n, i) => Math.min(mmol * onStages[i]!, 0.999 * n))
}
