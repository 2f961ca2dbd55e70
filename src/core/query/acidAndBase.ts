import { stepContents } from '../operations/vessel/contents'
import { acidLeftMmol } from '../operations/quench/acidLeft'
import { operationIn } from '../operations/registry'
import { isCharged, isProduct } from '../plan/plan'
import { partsUsed } from '../plan/partsUsed'
import { writeNumber } from '../quantity/write'
import { baseCapacityOf, gasMolarVolume, givesCarbonDioxide } from '../substance/acidBase'
import type { Query, QueryRule } from '../operations/query'

/**
 * Washing or quenching acid with base: too little base for the acid that is left, and carbon dioxide in a funnel that nobody is told to vent. Where the first wash is
 * water, most of the acid has gone with it, so only a wash that meets all of it is asked about.
 */
export const acidAndBase: QueryRule = (plan, table) => {
  const acid = acidLeftMmol(plan, table)
  if (acid <= 0) return []
  const found: Query[] = []
  const contents = stepContents(plan, table)
  const washes = plan.steps.filter((step) => operationIn(step)?.meetsAcidOrBase)
  const workUp = (id: string) => table.lines.find(({ line }) => line.id === id && isCharged(line) && !isProduct(line))
  let base = 0
  let first: (typeof washes)[number] | undefined
  for (const step of washes) {
    const used = partsUsed(step).flatMap(({ line, part }) => {
      const computed = workUp(line)
      return computed?.amount ? [{ ...computed, mmol: computed.amount.value * part * baseCapacityOf(computed.substance) }] : []
    })
    const water = used.some(({ substance }) => substance.formula === 'H2O')
    if (water && !first) return found
    const now = used.reduce((sum, { mmol }) => sum + mmol, 0)
    if (now > 0) first ??= step
    base += now
    const gas = used.some(({ substance }) => givesCarbonDioxide(substance))
    if (gas && operationIn(step)?.shakes && !step.says?.includes('vented')) {
      const litres = (Math.min(now, acid) * gasMolarVolume) / 1000
      const vessel = contents.find((each) => each.step === step.id)?.vessel
      found.push({
        id: `gas-${step.id}`,
        about: step.id,
        title: 'Carbon dioxide in a closed funnel',
        evidence: `Up to ${writeNumber(litres, litres < 1 ? 2 : 1)} L of gas at 20 °C${vessel ? ` in a ${vessel.sizeML} mL ${vessel.kind}` : ''}, and the step does not say to vent. Swirl it open until the gas slows, then shake and vent.`,
      })
    }
  }
  if (first && base < acid)
    found.push({
      id: `base-${first.id}`,
      about: first.id,
      title: 'Not enough base for the acid',
      evidence: `${writeNumber(acid, 0)} mmol of acid are left after the reaction, and the base of the work-up takes ${writeNumber(base, 0)} mmol. Wash with water first, take more or stronger base, and test with paper.`,
    })
  return found
}
